import { expect, it } from 'vitest';
import type { Layer } from '@kelbrin/core/slice';
import { layerAt, receivedLayer, sentLayer, shownLayer } from './shownLayer';

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

it('shows parts that were finished before whole, and begins the next on the plate', () => {
  const path = (x: number) => ({ role: 'wall', points: [[x, 0], [x, 5]], closed: false, widthMm: 0.4 }); // oxfmt-ignore
  const at = (zMm: number, x: number) => ({ zMm, thickMm: 0.2, pace: 1, paths: [path(x)] }) as unknown as Layer; // oxfmt-ignore
  // Parts of two, three and two layers.
  const all = [at(0.2, 1), at(0.4, 2), at(0.2, 11), at(0.4, 12), at(0.6, 13), at(0.2, 21), at(0.4, 22)];
  const xOf = (layer: Layer | undefined) => layer?.paths.map(({ points }) => points[0][0]);
  const seen = all.map((_, i) => shownLayer(all, i)!);
  expect(seen.map(({ layer }) => xOf(layer))).toEqual([[1], [2], [11], [12], [13], [21], [22]]);
  expect(seen.map(({ under }) => xOf(under))).toEqual([undefined, [1], [2], [2, 11], [2, 12], [2, 13], [2, 13, 21]]); // oxfmt-ignore
  // What begins on the plate does not hang over what was printed elsewhere.
  expect(seen[2].hanging).toEqual([]);
  expect(seen[3].hanging).not.toEqual([]);
});
