import fc from 'fast-check';
import { expect, it } from 'vitest';
import { countMoves, progressAtShare } from './printedShare.ts';
import type { Path, Toolpath } from './index.ts';

const line = (pieces: number, closed = false): Path => ({
  role: 'wall',
  points: Array.from({ length: closed ? pieces : pieces + 1 }, (_, i) => [i, 0] as const),
  closed,
  widthMm: 0.45,
});
const print = (layers: readonly (readonly Path[])[]): Toolpath => ({
  layers: layers.map((paths, i) => ({ zMm: 0.2 * (i + 1), thickMm: 0.2, pace: 1, paths: [...paths] })),
});

it('tells by the share of a file which line is being laid, and how much of it', () => {
  // Each line takes the way to it and its pieces: 4 and 6 moves on the first layer, 10 on the second.
  const moves = countMoves(print([[line(3), line(5, true)], [line(9)]]));
  expect(moves.all).toBe(20);
  expect(progressAtShare(moves, 0)).toEqual({ layer: 0, lines: 0, share: 0 });
  expect(progressAtShare(moves, 0.1)).toEqual({ layer: 0, lines: 0, share: 0.5 });
  expect(progressAtShare(moves, 0.2)).toEqual({ layer: 0, lines: 1, share: 0 });
  expect(progressAtShare(moves, 0.35)).toEqual({ layer: 0, lines: 1, share: 0.5 });
  expect(progressAtShare(moves, 0.75)).toEqual({ layer: 1, lines: 0, share: 0.5 });
  expect(progressAtShare(moves, 1)).toEqual({ layer: 1, lines: 1, share: 0 });
});

it('never goes back, and comes through every layer', () => {
  const layer = fc.array(fc.integer({ min: 1, max: 9 }), { minLength: 1, maxLength: 6 });
  fc.assert(
    fc.property(fc.array(layer, { minLength: 1, maxLength: 8 }), (layers) => {
      const moves = countMoves(print(layers.map((lines) => lines.map((pieces) => line(pieces)))));
      const seen = new Set<number>();
      let before = -1;
      for (let step = 0; step <= 500; step++) {
        const { layer: at, lines, share } = progressAtShare(moves, step / 500);
        seen.add(at);
        expect(share).toBeGreaterThanOrEqual(0);
        expect(share).toBeLessThanOrEqual(1);
        const now = at * 1000 + lines + share;
        expect(now).toBeGreaterThanOrEqual(before);
        before = now;
      }
      expect(seen.size).toBe(layers.length);
    }),
  );
});
