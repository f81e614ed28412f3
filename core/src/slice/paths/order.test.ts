import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Region } from '../../plane/index.ts';
import { inOrderOfTravel, pieceByPiece } from './order.ts';
import { endOf, type Path } from './toolpath.ts';

type Place = readonly [number, number];
const line = (...points: Place[]): Path => ({ role: 'inside', points, closed: false, widthMm: 0.4 });
const loop = (...points: Place[]): Path => ({ role: 'wall', points, closed: true, widthMm: 0.4 });
const mm = ([ax, ay]: Place, [bx, by]: Place) => Math.hypot(bx - ax, by - ay);
const square = (x: number, y: number): Place[] => [[x, y], [x + 4, y], [x + 4, y + 4], [x, y + 4]]; // oxfmt-ignore

describe('paths in the order of travel', () => {
  const place = fc.tuple(fc.integer({ min: 0, max: 60 }), fc.integer({ min: 0, max: 60 }));
  const path = fc
    .tuple(fc.uniqueArray(place, { minLength: 2, maxLength: 4, selector: String }), fc.boolean())
    .map(([points, isClosed]) => (isClosed ? loop(...points) : line(...points)));

  it('are all of them, each from the nearest end to where the one before has ended', () => {
    fc.assert(
      fc.property(fc.array(path, { minLength: 1, maxLength: 9 }), place, (paths, from) => {
        const ordered = inOrderOfTravel(paths, from);
        const sorted = (all: readonly Path[]) =>
          all.map(({ points }) => JSON.stringify([...points].map(String).toSorted())).toSorted();
        expect(sorted(ordered)).toEqual(sorted(paths));
        let at: Place = from;
        ordered.forEach((next, i) => {
          const ends = ordered.slice(i).flatMap(({ points, closed }) => (closed ? [points[0]] : [points[0], points.at(-1)!])); // oxfmt-ignore
          expect(mm(at, next.points[0])).toBeCloseTo(Math.min(...ends.map((end) => mm(at, end))), 9);
          at = endOf(next);
        });
      }),
    );
  });

  it('begin at the first path where nothing else is said, and are none of none', () => {
    const [first, ...others] = inOrderOfTravel([line([50, 50], [60, 50]), line([0, 0], [10, 0])]);
    expect(first.points[0]).toEqual([50, 50]);
    expect(others[0].points).toEqual([[10, 0], [0, 0]]); // oxfmt-ignore
    expect(inOrderOfTravel([])).toEqual([]);
  });
});

describe('paths piece by piece', () => {
  const pieces: Region[] = [0, 20, 50].map((x): Region => [
    square(x, 0).map(([a, b]): [number, number] => [a, b]),
  ]);
  const wallOf = (x: number) => loop(...square(x + 0.2, 0.2).map(([a, b]): Place => [a - 0.2 * (a > x + 1 ? 2 : 0), b - 0.2 * (b > 1 ? 2 : 0)])); // oxfmt-ignore
  const fillOf = (x: number) => line([x + 1, 1], [x + 3, 3]);

  it('are the walls and then the fill of one, and then of the nearest that is left', () => {
    const ordered = pieceByPiece(
      [wallOf(20), wallOf(50), wallOf(0)],
      [fillOf(50), fillOf(0), fillOf(20)],
      pieces,
    );
    const pieceOf = ({ points: [[x]] }: Path) => [0, 20, 50].find((from) => x >= from && x <= from + 4);
    // From the one at 20 mm it is 18 mm or so to the left, and 28 to the right.
    expect(ordered.map((path) => [pieceOf(path), path.role])).toEqual([
      [20, 'wall'], [20, 'inside'], [0, 'wall'], [0, 'inside'], [50, 'wall'], [50, 'inside'],
    ]); // oxfmt-ignore
  });

  it('take what is filled alone, and what lies in a hole as a piece of its own', () => {
    const frame: Region = [
      [[0, 0], [30, 0], [30, 30], [0, 30]],
      [[5, 5], [5, 25], [25, 25], [25, 5]],
    ]; // oxfmt-ignore
    const island: Region = [[[10, 10], [20, 10], [20, 20], [10, 20]]]; // oxfmt-ignore
    const inFrame = line([1, 1], [1, 29]);
    const inIsland = [line([12, 12], [12, 18]), line([14, 18], [14, 12])];
    const ordered = pieceByPiece([], [inIsland[0], inFrame, inIsland[1]], [frame, island]);
    expect(ordered.map(({ points }) => points[0][0])).toEqual([12, 14, 1]);
  });
});
