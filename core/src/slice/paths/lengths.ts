import type { Path } from './toolpath.ts';

/** The length of a path in mm, the way back to its beginning included if it is closed. */
export function lengthAlong({ points, closed }: Pick<Path, 'points' | 'closed'>): number {
  let length = 0;
  let [x, y] = closed ? points[points.length - 1] : points[0];
  for (const [nextX, nextY] of points) {
    length += Math.hypot(nextX - x, nextY - y);
    [x, y] = [nextX, nextY];
  }
  return length;
}

/** How much wider or narrower lines may be made so that they fill what they are to fill. */
const MOST_CHANGE = 1.3;

/**
 * The paths with their widths changed by one share, so that their plastic covers so many mm²: lines that are cut off
 * where they meet others cover a little more or less than the area between those.
 */
export function filling(paths: readonly Path[], mm2: number): Path[] {
  const covered = paths.reduce((sum, path) => sum + lengthAlong(path) * path.widthMm, 0);
  if (covered === 0) return [];
  const share = Math.min(MOST_CHANGE, Math.max(1 / MOST_CHANGE, mm2 / covered));
  return paths.map((path) => ({ ...path, widthMm: path.widthMm * share }));
}
