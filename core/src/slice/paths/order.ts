import { quadtree } from 'd3-quadtree';
import type { Path } from './toolpath.ts';

/** A point at which a path may be begun. */
interface Entry {
  readonly path: Path;
  readonly at: readonly [number, number];
  readonly isReversed: boolean;
}

/**
 * Puts paths into an order with little travel: always the nearest next one, from whichever end is nearer.
 * Closed paths keep their beginning, which is where their seam shows.
 */
export function inOrderOfTravel(paths: readonly Path[]): Path[] {
  const entries = new Map<Path, Entry[]>(paths.map((path) => [path, entriesOf(path)]));
  const left = quadtree<Entry>(
    [...entries.values()].flat(),
    ({ at }) => at[0],
    ({ at }) => at[1],
  );
  const ordered: Path[] = [];
  let [x, y] = paths[0]?.points[0] ?? [0, 0];
  for (let next = left.find(x, y); next; next = left.find(x, y)) {
    const { path, isReversed } = next;
    left.removeAll(entries.get(path)!);
    const points = isReversed ? path.points.toReversed() : path.points;
    ordered.push({ ...path, points });
    [x, y] = path.closed ? points[0] : points[points.length - 1];
  }
  return ordered;
}

function entriesOf(path: Path): Entry[] {
  const { points, closed } = path;
  const first: Entry = { path, at: points[0], isReversed: false };
  return closed ? [first] : [first, { path, at: points[points.length - 1], isReversed: true }];
}
