import { expect, it } from 'vitest';
import type { Layer } from '@kelbrin/core/slice';
import { layerAt } from './shownLayer';

const layers = [0.2, 0.4, 0.6].map((zMm) => ({ zMm, thickMm: 0.2, paths: [] }) as unknown as Layer);

it('is the layer that reaches up to a height, with the one under it', () => {
  expect(layerAt(layers, 0)).toMatchObject({ index: 0, zMm: 0.2, of: 3, under: undefined });
  expect(layerAt(layers, 0.2)).toMatchObject({ index: 0 });
  expect(layerAt(layers, 0.25)).toMatchObject({ index: 1, zMm: 0.4, under: layers[0] });
});

it('is the last one over them all, and none of nothing', () => {
  expect(layerAt(layers, 9)).toMatchObject({ index: 2, of: 3 });
  expect(layerAt([], 1)).toBeUndefined();
});
