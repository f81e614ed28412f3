import type { Box } from '../mesh/index.ts';
import type { Point } from '../plane/index.ts';
import { drawAlong, type MeasuredPlace, type Side } from './alongDimensions.ts';
import { drawCallouts } from './callouts.ts';
import { Ink, TEXT_MM, type Rect, type Scribe } from './ink.ts';
import type { JoinedLines } from './joinedLines.ts';
import { otherAxisOf, type Figure, type ViewMeasures } from './measured.ts';
import type { RoundFeature } from './roundFeatures.ts';
import { axisOf, seenAt, ontoPaper, seenBox, type CutPlane, type View } from './views.ts';

/** A view as it is put onto a sheet: its lower left corner is the origin. */
export interface ViewBlock {
  readonly ink: Ink;
  /** The part itself on paper, mm. */
  readonly size: Point;
  readonly bounds: Rect;
}

export interface ViewDrawing {
  readonly view: View;
  readonly lines: JoinedLines;
  readonly measures: ViewMeasures;
  readonly rounds: readonly RoundFeature[];
  /** Where measures of the directions to the right and upwards stand. */
  readonly sides: readonly [Side, Side];
  readonly cut?: CutPlane;
  readonly figure: Figure;
}

/** Axes go on past what they are the axis of, mm on paper. */
const PAST_MM = 2.5;
/** The line of a section goes on past the part, mm on paper. */
const CUT_PAST_MM = 4.5;
/** Measures stand so much farther away where the letters of a section are. */
const CUT_CLEAR_MM = 2.5;

/** Draws a view of a part at a scale, with its axes and measures. */
export function viewBlock(scribe: Scribe, box: Box, scale: number, drawing: ViewDrawing): ViewBlock {
  const { view, lines, measures, cut } = drawing;
  const ink = new Ink(scribe);
  const { size, onPaper } = ontoPaper(view, box, scale);
  for (const line of lines.hidden) ink.line('hidden', ...line.map(onPaper));
  for (const line of lines.seen) ink.line('outline', ...line.map(onPaper));
  drawAxes(ink, drawing, scale, onPaper);
  const taken: Rect[] = cut ? drawCut(ink, view, cut, onPaper, size) : [];
  taken.push(...drawLengths(ink, box, scale, drawing));
  drawCallouts(
    ink,
    measures.rounds.map(({ words, rounds: own }) => ({
      words,
      rims: own.map(({ middle, radiusMm, facings }) => ({
        middle: onPaper(seenAt(view, middle)),
        radius: radiusMm * scale,
        facings: facings.map((facing) => seenAt(view, facing)),
      })),
    })),
    taken,
  );
  return { ink, size, bounds: ink.bounds };
}

/** Draws the lengths that a view shows, and tells what their figures cover. */
function drawLengths(ink: Ink, box: Box, scale: number, drawing: ViewDrawing): Rect[] {
  const { view, measures, sides, cut, figure } = drawing;
  const { low } = seenBox(view, box);
  const { size } = ontoPaper(view, box, scale);
  return ([view.right, view.up] as const).flatMap((direction, i) => {
    const { axis, sign } = axisOf(direction);
    const other = otherAxisOf(view, axis)!;
    const acrossSign = axisOf(i === 0 ? view.up : view.right).sign;
    const isFar = sides[i] === 'above' || sides[i] === 'right';
    /** Where something begins, from the side where the measures stand. */
    const startOf = (across: readonly [number, number]) => {
      const ends = across.map((mm) => (acrossSign * mm - low[1 - i]) * scale);
      return isFar ? size[1 - i] - Math.max(...ends) : Math.min(...ends);
    };
    const place = (atMm: number, across: readonly [number, number], words: string): MeasuredPlace => ({
      at: (sign * atMm - low[i]) * scale,
      start: startOf(across),
      words,
    });
    const zeroMm = box.min[axis];
    const places = measures.places
      .filter((each) => each.axis === axis)
      .map(({ atMm, across, steps, isDiameter }) => {
        const length = figure(atMm - zeroMm, steps);
        return place(atMm, across, isDiameter ? `Ø ${length}` : length);
      });
    const isRound = measures.places.some((each) => each.axis === axis && each.isDiameter);
    const middle = (box.min[other] + box.max[other]) / 2;
    const zero = place(zeroMm, isRound ? [middle, middle] : [box.min[other], box.max[other]], '0');
    return drawAlong(ink, { side: sides[i], zero, places, clearMm: cut ? CUT_CLEAR_MM : 0 }, size);
  });
}

/** Axes of what is whole: a cross where they are seen end on, else a line along them. */
export function drawAxes(
  ink: Ink,
  { view, rounds }: Pick<ViewDrawing, 'view' | 'rounds'>,
  scale: number,
  onPaper: (point: Point) => Point,
): void {
  const drawn = new Set<string>();
  const once = (a: Point, b: Point) => {
    const key = [...a, ...b].map((mm) => mm.toFixed(1)).join();
    if (!drawn.has(key)) ink.line('centre', a, b);
    drawn.add(key);
  };
  for (const { axis, middle, radiusMm, from, to, isWhole } of rounds) {
    if (!isWhole) continue;
    if (axis === axisOf(view.toward).axis) {
      const [x, y] = onPaper(seenAt(view, middle));
      const reach = radiusMm * scale + PAST_MM;
      once([x - reach, y], [x + reach, y]);
      once([x, y - reach], [x, y + reach]);
      continue;
    }
    const ends = [from, to].map((mm) => {
      const at = [...middle] as [number, number, number];
      at[axis] = mm;
      return onPaper(seenAt(view, at));
    });
    const [[ax, ay], [bx, by]] =
      ends[0][0] + ends[0][1] < ends[1][0] + ends[1][1] ? ends : [ends[1], ends[0]];
    const isFlat = Math.abs(bx - ax) > Math.abs(by - ay);
    once(isFlat ? [ax - PAST_MM, ay] : [ax, ay - PAST_MM], isFlat ? [bx + PAST_MM, by] : [bx, by + PAST_MM]);
  }
}

/** Where a section is taken, for a view that sees its plane end on (ISO 128-3): its letter at both ends, arrows the way it is looked. */
function drawCut(
  ink: Ink,
  view: View,
  { view: cutView, atMm }: CutPlane,
  onPaper: (point: Point) => Point,
  size: Point,
): Rect[] {
  const { axis, sign } = axisOf(cutView.toward);
  const place: [number, number, number] = [0, 0, 0];
  place[axis] = sign * atMm;
  const [x, y] = onPaper(seenAt(view, place));
  const isFlat = axisOf(view.up).axis === axis;
  const [toX, toY] = seenAt(view, cutView.toward).map((share) => Math.round(-share)) as [number, number];
  const length = isFlat ? size[0] : size[1];
  for (const [from, to] of [
    [-CUT_PAST_MM, -CUT_PAST_MM + 3],
    [length + CUT_PAST_MM - 3, length + CUT_PAST_MM],
  ]) {
    const point = (along: number): Point => (isFlat ? [along, y] : [x, along]);
    ink.line('outline', point(from), point(to));
  }
  ink.line(
    'centre',
    isFlat ? [-CUT_PAST_MM, y] : [x, -CUT_PAST_MM],
    isFlat ? [length + CUT_PAST_MM, y] : [x, length + CUT_PAST_MM],
  );
  return [-CUT_PAST_MM + 0.5, length + CUT_PAST_MM - 0.5].map((end) => {
    const at: Point = isFlat ? [end, y] : [x, end];
    const tail: Point = [at[0] - 4 * toX, at[1] - 4 * toY];
    ink.line('thin', tail, at);
    ink.arrow(at, Math.atan2(toY, toX));
    const beside: Point = isFlat
      ? [at[0], tail[1] - toY * 1 - (toY > 0 ? TEXT_MM : 0)]
      : [tail[0] - toX * 2, tail[1] - TEXT_MM / 2];
    return ink.text('A', beside, { align: 'middle', capMm: 3 });
  });
}
