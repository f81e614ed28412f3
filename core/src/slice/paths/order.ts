import { quadtree } from 'd3-quadtree';
import { OutlineRuns, type Region } from '../../plane/index.ts';
import { endOf, type Path } from './toolpath.ts';

/** A point at which a path may be begun. */
interface Entry {
  readonly path: Path;
  readonly at: readonly [number, number];
  readonly isReversed: boolean;
}

/**
 * Puts paths into an order with little travel: always the nearest next one, from whichever end is nearer.
 * Closed paths keep their beginning, which is where their seam shows.
 *
 * @param from where the nozzle is before; at the beginning of the first path if it is not said
 */
export function inOrderOfTravel(paths: readonly Path[], from = paths[0]?.points[0] ?? [0, 0]): Path[] {
  const entries = new Map<Path, Entry[]>(paths.map((path) => [path, entriesOf(path)]));
  const left = quadtree<Entry>(
    [...entries.values()].flat(),
    ({ at }) => at[0],
    ({ at }) => at[1],
  );
  const ordered: Path[] = [];
  let [x, y] = from;
  for (let next = left.find(x, y); next; next = left.find(x, y)) {
    const { path, isReversed } = next;
    left.removeAll(entries.get(path)!);
    const points = isReversed ? path.points.toReversed() : path.points;
    ordered.push({ ...path, points });
    [x, y] = endOf({ ...path, points });
  }
  return ordered;
}

function entriesOf(path: Path): Entry[] {
  const { points, closed } = path;
  const first: Entry = { path, at: points[0], isReversed: false };
  return closed ? [first] : [first, { path, at: points[points.length - 1], isReversed: true }];
}

/**
 * The paths of a layer piece by piece, the walls of each before its fill: the nozzle finishes what it is at before it
 * goes to the nearest piece that is left. With all walls first it would cross open air twice as often.
 *
 * @param pieces the outlines of each piece of the section
 */
export function pieceByPiece(
  walls: readonly Path[],
  fill: readonly Path[],
  pieces: readonly Region[],
): Path[] {
  const pieceOf = pieceFinder(pieces);
  const left = new Map<number, Piece>();
  const noted = (path: Path) => {
    const piece = pieceOf(path.points[0]);
    const own = left.get(piece) ?? { walls: [], fill: [], starts: [] };
    left.set(piece, own);
    return own;
  };
  for (const path of walls) noted(path).walls.push(path);
  for (const path of fill) noted(path).fill.push(path);
  for (const { walls, fill, starts } of left.values()) {
    starts.push(...(walls.length > 0 ? walls : fill).flatMap(entriesOf).map(({ at }) => at));
  }
  const ordered: Path[] = [];
  let at = (walls[0] ?? fill[0])?.points[0];
  while (left.size > 0) {
    const number = nearest(left, at);
    const piece = left.get(number)!;
    left.delete(number);
    for (const paths of [piece.walls, piece.fill]) {
      const inTurn = inOrderOfTravel(paths, at);
      ordered.push(...inTurn);
      if (inTurn.length > 0) at = endOf(inTurn[inTurn.length - 1]);
    }
  }
  return ordered;
}

/** What is laid of a piece, and where that may begin. */
interface Piece {
  readonly walls: Path[];
  readonly fill: Path[];
  readonly starts: (readonly [number, number])[];
}

/** Tells by its number which piece a place lies in; 0 where rounding has put it in none. */
function pieceFinder(pieces: readonly Region[]): (at: readonly [number, number]) => number {
  if (pieces.length < 2) return () => 0;
  const runs = pieces.map((piece) => piece.map((outline) => new OutlineRuns(outline)));
  return (at) => {
    const found = runs.findIndex((piece) => piece.filter((outline) => outline.holds(at)).length % 2 === 1);
    return Math.max(0, found);
  };
}

/** The number of the piece that begins, or can begin, nearest to a place. */
function nearest(pieces: ReadonlyMap<number, Piece>, [x, y]: readonly [number, number]): number {
  let [nearestYet, leastSquared] = [0, Infinity];
  for (const [number, { starts }] of pieces) {
    for (const at of starts) {
      const squared = (at[0] - x) ** 2 + (at[1] - y) ** 2;
      if (squared < leastSquared) [nearestYet, leastSquared] = [number, squared];
    }
  }
  return nearestYet;
}
