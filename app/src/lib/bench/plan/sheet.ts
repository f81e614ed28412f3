import type { Box } from '@kelbrin/core/mesh';

/** How millimetres lie on the screen: x to the right, y upwards, as on a drawing. */
export interface Sheet {
  readonly widthPx: number;
  readonly heightPx: number;
  readonly pixelsPerMm: number;
  /** The point that lies in the middle of the sheet, mm. */
  readonly middle: readonly [number, number];
}

/** The sheet on which a range of x and y is seen whole, with room around it for dimensions. */
export function fitted(
  { min, max }: { min: readonly number[]; max: readonly number[] },
  widthPx: number,
  heightPx: number,
  marginPx: number,
): Sheet {
  const [width, height] = [Math.max(1, max[0] - min[0]), Math.max(1, max[1] - min[1])];
  const free = (px: number) => Math.max(40, px - 2 * marginPx);
  const pixelsPerMm = Math.min(free(widthPx) / width, free(heightPx) / height, 40);
  return { widthPx, heightPx, pixelsPerMm, middle: [(min[0] + max[0]) / 2, (min[1] + max[1]) / 2] };
}

/** What lies over the lower left of a sheet, px. */
export interface Inset {
  readonly widthPx: number;
  readonly heightPx: number;
}

/** The sheet on which a range is seen whole, and as large as it can be without lying under an inset. */
export function fittedBeside(
  range: { min: readonly number[]; max: readonly number[] },
  widthPx: number,
  heightPx: number,
  marginPx: number,
  inset: Inset,
): Sheet {
  const whole = fitted(range, widthPx, heightPx, marginPx);
  const [left, bottom] = toPixels(whole, [range.min[0], range.min[1]]);
  if (left > inset.widthPx || bottom < heightPx - inset.heightPx) return whole;
  const beside = fitted(range, widthPx - inset.widthPx, heightPx, marginPx);
  const above = fitted(range, widthPx, heightPx - inset.heightPx, marginPx);
  const isBeside = beside.pixelsPerMm > above.pixelsPerMm;
  const { pixelsPerMm, middle } = isBeside ? beside : above;
  const [x, y] = middle;
  // The middle of what is free lies to the right of the sheet's, or above it.
  const shifted: [number, number] = isBeside
    ? [x - inset.widthPx / 2 / pixelsPerMm, y]
    : [x, y - inset.heightPx / 2 / pixelsPerMm];
  return { widthPx, heightPx, pixelsPerMm, middle: shifted };
}

/** Where a point of the drawing lies on the screen, in pixels from the upper left. */
export function toPixels(sheet: Sheet, [x, y]: readonly [number, number]): [number, number] {
  return [
    sheet.widthPx / 2 + (x - sheet.middle[0]) * sheet.pixelsPerMm,
    sheet.heightPx / 2 - (y - sheet.middle[1]) * sheet.pixelsPerMm,
  ];
}

/** The point of the drawing that lies under a place on the screen. */
export function toMillimetres(sheet: Sheet, [px, py]: readonly [number, number]): [number, number] {
  return [
    sheet.middle[0] + (px - sheet.widthPx / 2) / sheet.pixelsPerMm,
    sheet.middle[1] - (py - sheet.heightPx / 2) / sheet.pixelsPerMm,
  ];
}

/** An outline, or several, as the path of an SVG. */
export function pathOf(sheet: Sheet, region: readonly (readonly (readonly [number, number])[])[]): string {
  return region
    .map(
      (outline) =>
        `M${outline
          .map((point) =>
            toPixels(sheet, point)
              .map((px) => px.toFixed(1))
              .join(' '),
          )
          .join('L')}Z`,
    )
    .join('');
}

/** The range of several boxes as seen from above. */
export function rangeOf(boxes: readonly Box[]): { min: [number, number]; max: [number, number] } {
  if (boxes.length === 0) return { min: [-30, -20], max: [30, 20] };
  return {
    min: [Math.min(...boxes.map(({ min }) => min[0])), Math.min(...boxes.map(({ min }) => min[1]))],
    max: [Math.max(...boxes.map(({ max }) => max[0])), Math.max(...boxes.map(({ max }) => max[1]))],
  };
}

/** The lines of squared paper under a drawing, mm: as close as they can be told apart, in numbers people count in. */
export function paperLines(sheet: Sheet): { xs: number[]; ys: number[] } {
  const mm = [1, 5, 10, 50, 100].find((each) => each * sheet.pixelsPerMm >= 14) ?? 100;
  const [left, low] = toMillimetres(sheet, [0, sheet.heightPx]);
  const [right, high] = toMillimetres(sheet, [sheet.widthPx, 0]);
  const within = (from: number, to: number) => {
    const [first, last] = [Math.ceil(from / mm), Math.floor(to / mm)];
    return Array.from({ length: Math.max(0, last - first + 1) }, (_, i) => (first + i) * mm);
  };
  return { xs: within(left, right), ys: within(low, high) };
}
