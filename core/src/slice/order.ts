import type { Path } from './toolpath.ts';

/**
 * Puts paths into an order with little travel: always the nearest next one, from whichever end is nearer.
 * Closed paths start at their corner nearest to where the last one ended.
 */
export function inOrderOfTravel(paths: readonly Path[]): Path[] {
  const left = [...paths];
  const ordered: Path[] = [];
  let [x, y] = left[0]?.points[0] ?? [0, 0];
  while (left.length > 0) {
    let best = 0;
    let bestCorner = 0;
    let bestDistance = Infinity;
    left.forEach(({ points, closed }, i) => {
      const stride = closed ? 1 : Math.max(1, points.length - 1);
      for (let corner = 0; corner < points.length; corner += stride) {
        const distance = (points[corner][0] - x) ** 2 + (points[corner][1] - y) ** 2;
        if (distance < bestDistance) [best, bestCorner, bestDistance] = [i, corner, distance];
      }
    });
    const [path] = left.splice(best, 1);
    const points = path.closed
      ? [...path.points.slice(bestCorner), ...path.points.slice(0, bestCorner)]
      : bestCorner === 0
        ? path.points
        : path.points.toReversed();
    ordered.push({ ...path, points });
    [x, y] = path.closed ? points[0] : points[points.length - 1];
  }
  return ordered;
}
