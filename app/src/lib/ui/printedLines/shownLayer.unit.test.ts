import { expect, it } from 'vitest';
import type { Layer } from '@kelbrin/core/slice';
import { layerAt, receivedLayer, sentLayer } from './shownLayer';

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

it('is the same when it was handed to another thread, with the layer under it or without', () => {
  const drawn = (zMm: number): Layer => ({
    zMm,
    thickMm: 0.2,
    pace: 1,
    paths: [
      {
        role: 'wall',
        points: [
          [0, zMm],
          [5, 1],
        ],
        closed: true,
        widthMm: 0.4,
      },
    ],
  });
  for (const under of [undefined, drawn(0.2)]) {
    const shown = {
      index: 1,
      layer: drawn(0.4),
      under,
      hanging: [[[0, 0] as const, [1, 1] as const]] as const,
    };
    expect(receivedLayer(structuredClone(sentLayer(shown)))).toEqual(shown);
  }
});
