import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { isInside, turned, type Outline, type Point, type Region } from '../plane/index.ts';
import { CELL_MM, Raster, rasterised } from './raster.ts';

type Cell = readonly [row: number, column: number];

/** Cells of a raster of a size, some of them beside each other, so that there are runs. */
const cells = (rows: number, columns: number, most = 12, longest = 40): fc.Arbitrary<Cell[]> =>
  fc
    .array(fc.tuple(fc.nat(rows - 1), fc.nat(columns - 1), fc.nat(longest)), {
      minLength: 1,
      maxLength: most,
    })
    .map((runs) =>
      runs.flatMap(([row, from, long]) =>
        Array.from({ length: Math.min(long, columns - 1 - from) + 1 }, (_, i): Cell => [row, from + i]),
      ),
    );

function rasterOf(rows: number, columns: number, marked: readonly Cell[]): Raster {
  const raster = new Raster(columns, rows);
  for (const [row, column] of marked) raster.mark(row, column, column + 1);
  return raster;
}

const names = (all: readonly Cell[]) => new Set(all.map(([row, column]) => `${row} ${column}`));
const cellsOf = (raster: Raster) =>
  Array.from({ length: raster.rows * raster.columns }, (_, i): Cell => [
    Math.floor(i / raster.columns),
    i % raster.columns,
  ]).filter(([row, column]) => raster.has(row, column));

/** The cells of a part, and a place for it on a plate of 12 by 110 cells. */
const laid = fc.record({
  plate: cells(12, 110),
  part: cells(5, 45),
  row: fc.nat(7),
  column: fc.nat(65),
});

/** The same in a corner of the plate and of few cells, so that they often lie just beside each other. */
const laidNear = fc.record({
  plate: cells(3, 12, 2, 2),
  part: cells(2, 6, 2, 3),
  row: fc.nat(1),
  column: fc.nat(6),
});

describe('cells', () => {
  it('are those that were marked, and as many', () => {
    fc.assert(
      fc.property(cells(6, 100), (marked) => {
        const raster = rasterOf(6, 100, marked);
        expect(names(cellsOf(raster))).toEqual(names(marked));
        expect(raster.count()).toBe(names(marked).size);
      }),
    );
    const row = new Raster(100, 2);
    row.mark(1, 30, 70);
    expect(cellsOf(row)).toEqual(Array.from({ length: 40 }, (_, i) => [1, 30 + i]));
  });

  it('are shared where both are, wherever the part lies', () => {
    fc.assert(
      fc.property(laid, ({ plate, part, row, column }) => {
        const own = names(plate);
        const there = [...names(part.map(([r, c]): Cell => [row + r, column + c]))];
        const shared = rasterOf(12, 110, plate).shared(rasterOf(5, 45, part), row, column);
        expect(shared).toBe(there.filter((cell) => own.has(cell)).length);
      }),
    );
  });

  it('are moved on no further than to where there may be room, and not at all where there is', () => {
    fc.assert(
      fc.property(fc.oneof(laid, laidNear), ({ plate, part, row, column }) => {
        const [onPlate, ofPart] = [rasterOf(12, 110, plate), rasterOf(5, 45, part)];
        const further = onPlate.advance(ofPart, row, column);
        expect(further === 0).toBe(onPlate.shared(ofPart, row, column) === 0);
        for (let by = 0; by < further && column + by <= 65; by++)
          expect(onPlate.shared(ofPart, row, column + by)).toBeGreaterThan(0);
      }),
      { numRuns: 400 },
    );
  });

  it('are taken in by those that they are added to', () => {
    fc.assert(
      fc.property(laid, ({ plate, part, row, column }) => {
        const sum = rasterOf(12, 110, plate);
        sum.add(rasterOf(5, 45, part), row, column);
        expect(names(cellsOf(sum))).toEqual(
          names([...plate, ...part.map(([r, c]): Cell => [row + r, column + c])]),
        );
      }),
    );
  });

  it('have those around them that are so near, themselves left out', () => {
    fc.assert(
      fc.property(cells(5, 45), fc.integer({ min: 1, max: 5 }), (marked, reach) => {
        const around = rasterOf(5, 45, marked).around(reach);
        expect([around.rows, around.columns]).toEqual([5 + 2 * reach, 45 + 2 * reach]);
        const own = names(marked.map(([r, c]): Cell => [r + reach, c + reach]));
        const near = marked.flatMap(([r, c]) =>
          Array.from({ length: (2 * reach + 1) ** 2 }, (_, i): Cell => [
            r + Math.floor(i / (2 * reach + 1)),
            c + (i % (2 * reach + 1)),
          ]),
        );
        expect(names(cellsOf(around))).toEqual(new Set([...names(near)].filter((cell) => !own.has(cell))));
      }),
      { numRuns: 30 },
    );
  });
});

/** How far a place is from a region; 0 inside. */
function distanceTo(region: Region, [x, y]: Point): number {
  if (region.some((outline) => isInside([x, y], outline))) return 0;
  return Math.min(
    ...region.flatMap((outline) =>
      outline.map(([ax, ay], i) => {
        const [bx, by] = outline[(i + 1) % outline.length];
        const [dx, dy] = [bx - ax, by - ay];
        const t = Math.max(0, Math.min(1, ((x - ax) * dx + (y - ay) * dy) / (dx * dx + dy * dy)));
        return Math.hypot(ax + t * dx - x, ay + t * dy - y);
      }),
    ),
  );
}

describe('a region in cells', () => {
  const corner = fc.tuple(fc.integer({ min: -90, max: 90 }), fc.integer({ min: -90, max: 90 }));
  const triangle = fc
    .tuple(corner, corner, corner)
    .map((corners) => corners.map(([x, y]): Point => [x / 10, y / 10]))
    .filter(([a, b, c]) => Math.abs((b[0] - a[0]) * (c[1] - a[1]) - (b[1] - a[1]) * (c[0] - a[0])) > 1);
  /** As small as a few cells, so that its edges are shorter than a cell is wide. */
  const small = triangle.map((corners) => corners.map(([x, y]): Point => [x / 10, y / 10]));

  const square: Outline = [[0, 0], [0.98, 0], [0.98, 0.98], [0, 0.98]]; // oxfmt-ignore

  it('has just the cells whose middle is no further from it than it was grown and half a cell across', () => {
    fc.assert(
      fc.property(
        fc.array(fc.oneof(triangle, small), { minLength: 1, maxLength: 3 }),
        fc.nat(30),
        (region, tenths) => {
          const byMm = tenths / 10;
          const reach = byMm + CELL_MM * Math.SQRT1_2;
          const { raster, leftMm, frontMm } = rasterised(region, byMm);
          for (let row = -1; row <= raster.rows; row++)
            for (let column = -1; column <= raster.columns; column++) {
              const isThere = row >= 0 && column >= 0 && row < raster.rows && column < raster.columns;
              const middle: Point = [leftMm + (column + 0.5) * CELL_MM, frontMm + (row + 0.5) * CELL_MM];
              const away = distanceTo(region, middle) - reach;
              if (Math.abs(away) > 1e-6) expect(isThere && raster.has(row, column)).toBe(away < 0);
            }
        },
      ),
      // Sides that are shorter than a millimetre, and longer than what lies around their ends.
      { numRuns: 20, examples: [0, 10, 45].map((deg) => [turned([square], deg), 0]) },
    );
  });
});
