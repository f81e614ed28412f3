import type { Layer } from './toolpath.ts';

/**
 * Where the tops of layers lie on one scale that only rises, mm: their heights, and where parts are printed one after
 * another each of them on top of the part before it.
 */
export function climbsOf(layers: readonly Pick<Layer, 'zMm'>[]): number[] {
  let [belowMm, lastMm] = [0, 0];
  return layers.map(({ zMm }) => {
    if (zMm < lastMm) belowMm += lastMm;
    lastMm = zMm;
    return belowMm + zMm;
  });
}

/** From where to where on that scale each part lies, in the order in which they are printed. */
export function spansOf(layers: readonly Pick<Layer, 'zMm'>[]): (readonly [lowMm: number, highMm: number])[] {
  const climbsMm = climbsOf(layers);
  const ends = climbsMm.filter((_, i) => i === layers.length - 1 || layers[i + 1].zMm < layers[i].zMm);
  return ends.map((highMm, i) => [ends[i - 1] ?? 0, highMm]);
}
