import { beforeAll, expect, it } from 'vitest';
import { madeWith } from '../../../test/solids.ts';
import { nodeWorkshop } from '../../../node/workshop.ts';
import type { Workshop } from '../../solid/index.ts';
import { everydaySettings, hangingOf, slice } from '../index.ts';

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
