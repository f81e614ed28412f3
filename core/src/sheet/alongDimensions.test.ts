import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { drawAlong, spreadApart } from './alongDimensions.ts';
import { Ink, overlap } from './ink.ts';

/** Letters that are squares. */
const scribe = (words: string, capMm: number) => ({
  region: [
    [
      [0, 0],
      [words.length * capMm, 0],
      [words.length * capMm, capMm],
      [0, capMm],
    ] as [number, number][],
  ],
  widthMm: words.length * capMm,
});

describe('figures beside each other', () => {
  it('keep their order and their distance, and stay where they are if they can', () => {
    const places = fc.array(fc.integer({ min: 0, max: 400 }), { minLength: 1, maxLength: 14 });
    fc.assert(
      fc.property(places, (tenths) => {
        const sorted = tenths.map((each) => each / 10).sort((a, b) => a - b);
        const spread = spreadApart(sorted, 3);
        for (let i = 1; i < spread.length; i++) expect(spread[i] - spread[i - 1]).toBeGreaterThan(3 - 1e-9);
        // What is moved is balanced: as much to one side as to the other.
        const moves = spread.reduce((sum, at, i) => sum + at - sorted[i], 0);
        expect(moves).toBeCloseTo(0, 6);
        if (sorted.every((at, i) => i === 0 || at - sorted[i - 1] >= 3)) expect(spread).toEqual(sorted);
      }),
      { numRuns: 150 },
    );
  });

  it.each(['below', 'above', 'left', 'right'] as const)(
    'are not written over each other %s a view',
    (side) => {
      for (const count of [1, 2, 3, 4, 9]) {
        const places = Array.from({ length: count }, (_, i) => ({
          at: 4 + i * 2.1,
          start: 0,
          words: `${4 + i * 2.1}`,
        }));
        const ink = new Ink(scribe);
        const zero = { at: 0, start: 0, words: '0' };
        const covered = drawAlong(ink, { side, zero, places, clearMm: 0 }, [40, 30]);
        // A row says its sizes, and many along one line say where they are counted from too.
        expect(covered).toHaveLength(count > 3 ? count + 1 : count);
        covered.forEach((one, i) => {
          for (const other of covered.slice(i + 1)) expect(overlap(one, other)).toBe(false);
          // All of them are outside of the view.
          const isOutside = one.x + one.width < 0 || one.x > 40 || one.y + one.height < 0 || one.y > 30;
          expect(isOutside).toBe(true);
        });
      }
    },
  );
});
