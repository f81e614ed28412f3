import { beforeAll, expect, it } from 'vitest';
import { nodeWorkshop } from '../../node/workshop.ts';
import { madeWith } from '../../test/solids.ts';
import type { Workshop } from '../solid/index.ts';
import { estimate, everydaySettings, slice, sliceInSteps, writeGcode, type PrintSettings } from './index.ts';
import { lengthAlong } from './paths/lengths.ts';

/* The layers of whole parts: what is closed, in which order pieces come, and where they end. */

let workshop: Workshop;
beforeAll(async () => (workshop = await nodeWorkshop()));

/** Without a skirt, which is no part of the part. */
const settings: PrintSettings = { ...everydaySettings, skirtLines: 0 };
const cube = () => madeWith(workshop.kernel, ({ Manifold }) => Manifold.cube([20, 20, 4]));
const sum = (values: number[]) => values.reduce((a, b) => a + b, 0);

it('closes what is seen from below, and from above, within a part as at its ends', () => {
  const mushroom = madeWith(workshop.kernel, ({ Manifold }) =>
    Manifold.cube([20, 20, 4], true)
      .translate([0, 0, 7])
      .add(Manifold.cube([8, 8, 14], true).translate([0, 0, 7])),
  );
  const { layers } = slice(workshop.kernel, mushroom, settings);
  // The cap is in the layers 25 to 44; the stem of 64 mm² goes on above it.
  const closedMm2 = (index: number) =>
    sum(layers[index].paths.filter(({ role }) => role === 'closed').map(lengthAlong)) * settings.lineWidthMm;
  for (const index of [26, 27, 42, 43, 44]) expect(closedMm2(index)).toBeGreaterThan(180);
  for (const index of [24, 29, 34, 40, 46]) expect(closedMm2(index)).toBeLessThan(20);
});

it('finishes a leg of a portal before it goes to the other, which crosses the air between them once a layer', () => {
  const portal = madeWith(workshop.kernel, ({ Manifold }) =>
    Manifold.cube([5, 12, 10])
      .add(Manifold.cube([5, 12, 10]).translate([25, 0, 0]))
      .add(Manifold.cube([30, 12, 4]).translate([0, 0, 10])),
  );
  const { layers } = slice(workshop.kernel, portal, settings);
  const sides = layers[20].paths.map(({ points }) => points[0][0] < 15);
  expect(sides.filter((side, i) => i > 0 && side !== sides[i - 1])).toHaveLength(1);
  const drawnBack = writeGcode({ layers: layers.slice(5, 45) }, settings, { offsetMm: [0, 0] }).match(/^G1 E-0.8/gm)!; // oxfmt-ignore
  // Once in each layer, and once on the way to most of them.
  expect(drawnBack.length).toBeLessThan(2.2 * 40);
});

it('has as much plastic as a part of any height, however thin', () => {
  for (const mm of [0.15, 0.2, 0.29, 0.5, 1.13, 4.09]) {
    const plate = madeWith(workshop.kernel, ({ Manifold }) => Manifold.cube([30, 20, mm]));
    const full = { ...settings, infillShare: 1 };
    const { filamentMm } = estimate(slice(workshop.kernel, plate, full), full);
    expect((filamentMm * Math.PI * 1.75 ** 2) / 4 / (600 * mm), `${mm} mm`).toBeCloseTo(1, 1);
  }
  const sheet = madeWith(workshop.kernel, ({ Manifold }) => Manifold.cube([30, 20, 0.09]));
  expect(slice(workshop.kernel, sheet, settings).layers).toEqual([]);
});

it('can be stopped after each layer, while they are cut and while they are planned', () => {
  const numbers = [...sliceInSteps(workshop.kernel, cube(), settings)];
  const layers = Array.from({ length: 20 }, (_, i) => i);
  expect(numbers).toEqual([...layers, ...layers]);
});
