import earcut from 'earcut';

/**
 * The corners of the triangles that a polygon in space falls into, three a triangle. Corners on a straight run of a
 * polygon that is not convex are left out.
 *
 * @param polygon the numbers of its corners, in order
 * @param at the place of a corner along an axis
 */
export function cutUp(
  polygon: readonly number[],
  at: (corner: number, axis: number) => number,
): readonly number[] {
  const of = (i: number, axis: number) => at(polygon[i % polygon.length], axis);
  // Twice the area as seen along each axis: M. Newell's way to the direction of a polygon that is not quite flat.
  const normal = [0, 1, 2].map((axis) => {
    const [u, v] = [(axis + 1) % 3, (axis + 2) % 3];
    return polygon.reduce((sum, _, i) => sum + of(i, u) * of(i + 1, v) - of(i + 1, u) * of(i, v), 0);
  });
  const largest = Math.max(...normal.map(Math.abs));
  const axis = normal.findIndex((each) => Math.abs(each) === largest);
  const flat = polygon.flatMap((_, i) => [of(i, (axis + 1) % 3), of(i, (axis + 2) % 3)]);
  if (isConvex(flat, normal[axis])) return fanOf(polygon);
  const triangles = earcut(flat).map((i) => polygon[i]);
  // They come counter-clockwise, whichever way the polygon is seen from this side.
  return normal[axis] < 0 ? triangles.toReversed() : triangles;
}

/** Triangles from the first corner of a polygon to the others. */
export function fanOf(polygon: readonly number[]): number[] {
  return polygon.slice(2).flatMap((corner, i) => [polygon[0], polygon[i + 1], corner]);
}

/** Whether a flat polygon, given as x, y, x, y …, turns one way at all of its corners; its area says which. */
function isConvex(flat: readonly number[], area: number): boolean {
  const count = flat.length / 2;
  return flat.slice(0, count).every((_, i) => {
    const [a, b, c] = [i, (i + 1) % count, (i + 2) % count].map((k) => [flat[2 * k], flat[2 * k + 1]]);
    return ((b[0] - a[0]) * (c[1] - b[1]) - (b[1] - a[1]) * (c[0] - b[0])) * area >= 0;
  });
}
