/** A place that dragging likes to end at, along one axis, mm. */
export interface SnapLine {
  readonly at: number;
  /** What it is the edge or middle of, for people. */
  readonly of: string;
}

/** Where a dragged thing comes to lie along one axis, and the line that it was caught by. */
export interface Snapped {
  readonly at: number;
  readonly line?: SnapLine;
}

/**
 * Catches a value by the nearest line within reach, or else by the grid.
 *
 * @example
 * snapped(9.7, [{ at: 10, of: 'the plate' }], 0.5, 1) // { at: 10, line: … }
 */
export function snapped(value: number, lines: readonly SnapLine[], reachMm: number, gridMm: number): Snapped {
  const line = nearest(value, lines, reachMm);
  return line ? { at: line.at, line } : { at: toGrid(value, gridMm) };
}

/**
 * Catches a thing that is being moved by any of its own edges or its middle: hands back where its middle comes to lie.
 * Without a line in reach its middle goes by the grid.
 */
export function snappedBody(
  middle: number,
  half: number,
  lines: readonly SnapLine[],
  reachMm: number,
  gridMm: number,
): Snapped {
  let best: (Snapped & { away: number }) | undefined;
  for (const off of [0, -half, half]) {
    const line = nearest(middle + off, lines, reachMm);
    const away = line ? Math.abs(line.at - middle - off) : Infinity;
    if (line && (!best || away < best.away - 1e-9)) best = { at: line.at - off, line, away };
  }
  return best ? { at: best.at, line: best.line } : { at: toGrid(middle, gridMm) };
}

/** The step of the grid at a scale: one that is easily aimed at, in numbers people count in. */
export function gridFor(pixelsPerMm: number): number {
  return [0.1, 0.5, 1, 5, 10].find((mm) => mm * pixelsPerMm >= 4) ?? 10;
}

function nearest(value: number, lines: readonly SnapLine[], reachMm: number): SnapLine | undefined {
  let best: SnapLine | undefined;
  for (const line of lines) {
    const away = Math.abs(line.at - value);
    if (away <= reachMm && (!best || away < Math.abs(best.at - value))) best = line;
  }
  return best;
}

function toGrid(value: number, gridMm: number): number {
  return Math.round(Math.round(value / gridMm) * gridMm * 1000) / 1000;
}
