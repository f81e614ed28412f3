import { expect, it } from 'vitest';
import { CARD_MM, keepPixelsPerMm, keptPixelsPerMm, seenFrom } from './realSize';

it('remembers how a card measured on this screen, and takes nothing that no screen shows', () => {
  const kept = new Map<string, string>();
  const storage = {
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, value: string) => void kept.set(key, value),
  };
  expect(keptPixelsPerMm(storage)).toBeCloseTo(3.7795, 3);
  keepPixelsPerMm(storage, 400 / CARD_MM[0]);
  expect(keptPixelsPerMm(storage) * CARD_MM[0]).toBeCloseTo(400, 6);
  keepPixelsPerMm(storage, 1000);
  expect(keptPixelsPerMm(storage)).toBeCloseTo(3.7795, 3);
});

it('draws what is seen from above and from the front, each line once', () => {
  // A level edge, the same edge 5 mm higher, and an upright one.
  const edges = Float32Array.from([0, 1, 0, 10, 1, 0, 10, 1, 5, 0, 1, 5, 0, 1, 0, 0, 1, 5]);
  expect(seenFrom('above', edges)).toBe('M0.00 -1.00L10.00 -1.00');
  expect(seenFrom('front', edges).match(/M/g)).toHaveLength(3);
});
