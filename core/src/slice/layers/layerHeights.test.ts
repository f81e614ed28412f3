import fc from 'fast-check';
import { expect, it } from 'vitest';
import { layerHeights } from './layerHeights.ts';

const settings = { layerMm: 0.2, firstLayerMm: 0.2 };
const tops = (heightMm: number) => layerHeights(heightMm, settings).map(({ zMm }) => Number(zMm.toFixed(6)));

it('ends where the part does, with a last layer that a nozzle can lay, for any height and any layers', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0.2, max: 60, noNaN: true }),
      fc.double({ min: 0.08, max: 0.4, noNaN: true }),
      fc.double({ min: 0.1, max: 0.4, noNaN: true }),
      (heightMm, layerMm, firstLayerMm) => {
        const layers = layerHeights(heightMm, { layerMm, firstLayerMm });
        expect(layers.at(-1)!.zMm).toBe(heightMm);
        expect(layers.reduce((sum, { thickMm }) => sum + thickMm, 0)).toBeCloseTo(heightMm, 6);
        layers.slice(1, -1).forEach(({ thickMm }) => expect(thickMm).toBeCloseTo(layerMm, 9));
        if (layers.length === 1) return;
        const share = layers.at(-1)!.thickMm / layerMm;
        expect(share).toBeGreaterThan(0.298);
        expect(share).toBeLessThan(1.301);
      },
    ),
  );
});

it('is the same for heights that differ by rounding alone', () => {
  expect(tops(5)).toHaveLength(25);
  // Halves and the share from which a rest is a layer of its own, both ways off by rounding.
  for (const mm of [5, 5.1, 5.06])
    expect(layerHeights(mm + 1e-6, settings).length).toBe(layerHeights(mm - 1e-6, settings).length);
  // What is just that share is a layer of its own.
  expect(tops(1.26)).toEqual([0.2, 0.4, 0.6, 0.8, 1, 1.2, 1.26]);
  expect(tops(0.6)).toEqual([0.2, 0.4, 0.6]);
  expect(tops(0.65)).toEqual([0.2, 0.4, 0.65]);
  expect(tops(0.7)).toEqual([0.2, 0.4, 0.6, 0.7]);
});

it('is one layer for a part as thin as one, and none for one that is thinner than half of it', () => {
  expect(tops(0.15)).toEqual([0.15]);
  expect(tops(0.1)).toEqual([0.1]);
  expect(tops(0.09)).toEqual([]);
});
