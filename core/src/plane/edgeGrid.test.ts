import fc from 'fast-check';
import { expect, it } from 'vitest';
import { EdgeGrid } from './edgeGrid.ts';
import { toEdgeMm } from './toEdge.ts';

const coordinate = fc.integer({ min: -40, max: 40 }).map((halves) => halves / 2);
const point = fc.tuple(coordinate, coordinate);

it('finds every edge within reach of a place, and each once', () => {
  const large = fc.array(point, { minLength: 3, maxLength: 12 });
  const small = point.map(([x, y]): [number, number][] => [[x, y], [x + 0.2, y], [x, y + 0.1]]); // oxfmt-ignore
  const region = fc.oneof(
    fc.array(large, { minLength: 1, maxLength: 3 }),
    fc.array(small, { minLength: 30, maxLength: 60 }),
  );
  const reach = fc.constantFrom(0.5, 1, 3, 7.5);
  fc.assert(
    fc.property(
      region,
      reach,
      fc.array(point, { minLength: 1, maxLength: 6 }),
      (outlines, reachMm, places) => {
        const edges = outlines.flatMap((outline) =>
          outline.map((from, i) => [from, outline[(i + 1) % outline.length]] as const),
        );
        const grid = new EdgeGrid(outlines, reachMm);
        for (const [x, y] of places) {
          const found = [...grid.found.subarray(0, grid.near(x, y))];
          expect(new Set(found).size).toBe(found.length);
          const within = edges.flatMap(([[ax, ay], [bx, by]], edge) =>
            toEdgeMm(x, y, ax, ay, bx, by) < reachMm ? [edge] : [],
          );
          expect(found).toEqual(expect.arrayContaining(within));
        }
      },
    ),
    { numRuns: 300 },
  );
});

it('finds few of many edges', () => {
  const zigzag = Array.from({ length: 1000 }, (_, i): [number, number] => [i, (i % 2) * 2]);
  const grid = new EdgeGrid([zigzag], 2);
  expect(grid.near(500, 1)).toBeLessThan(20);
});

it('finds none where there are none', () => {
  expect(new EdgeGrid([], 2).near(1, 1)).toBe(0);
});
