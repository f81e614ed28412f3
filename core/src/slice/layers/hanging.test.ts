import { beforeAll, expect, it } from 'vitest';
import { madeWith } from '../../../test/solids.ts';
import { nodeWorkshop } from '../../../node/workshop.ts';
import type { Workshop } from '../../solid/index.ts';
import { everydaySettings, hangingOf, slice, type Layer, type Path } from '../index.ts';

let workshop: Workshop;
beforeAll(async () => (workshop = await nodeWorkshop()));

/** The stretches that hang in the layers of a bar that leans by so much for each mm of height. */
function hangingInLean(lean: number): number {
  const bar = madeWith(workshop.kernel, ({ Manifold }) =>
    Manifold.cube([12, 12, 8]).warp((vertex) => {
      vertex[0] += lean * vertex[2];
    }),
  );
  const { layers } = slice(workshop.kernel, bar, everydaySettings);
  return layers.slice(1).reduce((sum, layer, i) => sum + hangingOf(layer, layers[i]).length, 0);
}

it('marks no wall that stands or leans a little', () => {
  expect(hangingInLean(0)).toBe(0);
  expect(hangingInLean(0.7)).toBe(0);
});

it('marks a wall that leans more than its line is wide with each layer', () => {
  expect(hangingInLean(2.5)).toBeGreaterThan(100);
});

it('marks the rim of a shelf, but not the bridge within it', () => {
  const table = madeWith(workshop.kernel, ({ Manifold }) =>
    Manifold.cube([20, 10, 1])
      .translate([0, 0, 3])
      .add(Manifold.cube([4, 10, 3]))
      .add(Manifold.cube([4, 10, 3]).translate([16, 0, 0])),
  );
  const { layers } = slice(workshop.kernel, table, everydaySettings);
  const shelf = layers.findIndex(({ paths }) => paths.some(({ role }) => role === 'span'));
  const hanging = hangingOf(layers[shelf], layers[shelf - 1]);
  expect(hanging.length).toBeGreaterThan(20);
  for (const [[x]] of hanging) {
    expect(x).toBeGreaterThan(3.5);
    expect(x).toBeLessThan(16.5);
  }
});

/** Layers of one line each, hand-written. */
const layerOf = (points: Path['points'], more: Partial<Path> = {}): Layer => ({
  zMm: 0.2,
  thickMm: 0.2,
  pace: 1,
  paths: [{ role: 'wall', points, closed: false, widthMm: 0.4, ...more }],
});
const overhang = (under: Layer, line: Layer) => {
  const pieces = hangingOf(line, under);
  const xs = pieces.flat().map(([x]) => x);
  return pieces.length === 0 ? [] : [Math.min(...xs), Math.max(...xs)];
};

it('marks a line just where it lies beside what is below it by more than half a width', () => {
  const under = layerOf([[0, 0], [10, 0]]); // oxfmt-ignore
  const [from, to] = overhang(under, layerOf([[0, 0], [20, 0]])); // oxfmt-ignore
  expect(from).toBeGreaterThan(10.1);
  expect(from).toBeLessThan(10.6);
  expect(to).toBe(20);
  expect(overhang(under, layerOf([[1, 0.2], [9, 0.2]]))).toEqual([]); // oxfmt-ignore
  expect(overhang(under, layerOf([[1, 0.45], [9, 0.45]]))).toEqual([1, 9]); // oxfmt-ignore
  // Just beyond half a width the plastic still reaches, on both sides and wherever the part lies.
  expect(overhang(under, layerOf([[1, 0.26], [9, 0.26]]))).toEqual([]); // oxfmt-ignore
  const moved = layerOf([[0, 0.08], [10, 0.08]]); // oxfmt-ignore
  expect(overhang(moved, layerOf([[1, -0.26], [9, -0.26]]))).toEqual([1, 9]); // oxfmt-ignore
  expect(overhang(moved, layerOf([[1, 0.45], [9, 0.45]]))).toEqual([1, 9]); // oxfmt-ignore
  // Beside its end it reaches as far as it does ahead of it.
  expect(overhang(under, layerOf([[10.3, 0.3], [12, 0.3]]))[0]).toBe(10.3); // oxfmt-ignore
  // A wider line below holds it that much further out.
  const wide = layerOf([[0, 0], [10, 0]], { widthMm: 0.8 }); // oxfmt-ignore
  expect(overhang(wide, layerOf([[1, 0.4], [9, 0.4]]))).toEqual([]); // oxfmt-ignore
  expect(overhang(wide, layerOf([[1, 0.65], [9, 0.65]]))).toEqual([1, 9]); // oxfmt-ignore
});

it('marks a slanting line from where the one below it ends', () => {
  const pieces = hangingOf(layerOf([[3, 2], [23, 12]]), layerOf([[3, 2], [13, 7]])); // oxfmt-ignore
  const [x, y] = pieces[0][0];
  expect(Math.hypot(x - 13, y - 7)).toBeLessThan(0.6);
  expect(pieces.at(-1)![1]).toEqual([23, 12]);
  for (const [[px, py]] of pieces) expect(py).toBeCloseTo(2 + (px - 3) / 2);
});

it('marks no gap that is short, and neither fill nor what is meant to bridge', () => {
  const posts = (gapMm: number): Layer => ({
    ...layerOf([]),
    paths: [[0, 5], [5 + gapMm, 12]].flatMap(([from, to]) => layerOf([[from, 0], [to, 0]]).paths), // oxfmt-ignore
  });
  const line = layerOf([[0, 0], [12, 0]]); // oxfmt-ignore
  expect(overhang(posts(0.9), line)).toEqual([]);
  expect(overhang(posts(1.2), line)).toEqual([]);
  const [from, to] = overhang(posts(3), line);
  expect(from).toBeCloseTo(5.4, 0);
  expect(to).toBeCloseTo(7.6, 0);
  expect(hangingOf(layerOf([[0, 0], [12, 0]], { role: 'span' }), posts(3))).toEqual([]); // oxfmt-ignore
  expect(hangingOf(layerOf([[0, 0], [12, 0]], { role: 'thin' }), posts(3)).length).toBeGreaterThan(3); // oxfmt-ignore
});

it('goes round a closed line to where it began', () => {
  const ring = layerOf([[0, 0], [10, 0], [10, 10], [0, 10]], { closed: true }); // oxfmt-ignore
  const open = layerOf([[0, 0], [10, 0], [10, 10], [0, 10]]); // oxfmt-ignore
  const pieces = hangingOf(ring, open);
  expect(pieces.length).toBeGreaterThan(30);
  expect(pieces.flat().every(([x]) => Math.abs(x) < 1e-9)).toBe(true);
  expect(hangingOf(open, ring)).toEqual([]);
});
