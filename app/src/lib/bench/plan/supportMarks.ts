/** So many lines are drawn at most: more could not be told apart. */
const MOST_LINES = 4000;
/** Lines whose ends lie in the same squares of this size are one, as those of a column above each other are, mm. */
const SAME_MM = 0.25;

/** A line on the plan, from one end to the other, mm. */
export type Mark = readonly [fromX: number, fromY: number, toX: number, toY: number];

/**
 * The lines of supports as they are seen from above, each once.
 *
 * @param ends pairs of ends in space: x, y and z of each, mm
 */
export function supportMarks(ends: Float32Array): Mark[] {
  const marks = new Map<string, Mark>();
  for (let at = 0; at + 5 < ends.length && marks.size < MOST_LINES; at += 6) {
    const mark: Mark = [ends[at], ends[at + 1], ends[at + 3], ends[at + 4]];
    const key = mark.map((mm) => Math.round(mm / SAME_MM)).join(' ');
    if (!marks.has(key)) marks.set(key, mark);
  }
  return [...marks.values()];
}
