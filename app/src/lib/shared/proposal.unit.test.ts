import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { inFairOrder, partsWithin } from './proposal';

const part = (student: string, dueOn: string | null = null, handOrder: number | null = null) => ({
  student,
  dueOn,
  handOrder,
});

describe('the fair order', () => {
  it('takes what is due first, and one of each student before seconds', () => {
    const parts = [
      part('Asha', '2026-12-05'),
      part('Asha', '2026-12-05'),
      part('Bruno', '2026-12-05'),
      part('Cleo'),
      part('Dario', '2026-12-01'),
      part('Bruno', '2026-12-05'),
    ];
    expect(inFairOrder(parts)).toEqual([parts[4], parts[0], parts[2], parts[1], parts[5], parts[3]]);
  });

  it('lets what was ordered by hand go before', () => {
    const parts = [part('Asha', '2026-12-01'), part('Bruno', null, 2), part('Cleo', '2026-12-05', 1)];
    expect(inFairOrder(parts)).toEqual([parts[2], parts[1], parts[0]]);
  });

  it('loses nobody', () => {
    const parts = fc.array(
      fc.record({
        student: fc.constantFrom('a', 'b', 'c'),
        dueOn: fc.constantFrom(null, '2026-01-01', '2026-02-01'),
        handOrder: fc.constantFrom(null, 1, 2),
      }),
    );
    fc.assert(
      fc.property(parts, (all) => {
        expect(new Set(inFairOrder(all))).toEqual(new Set(all));
      }),
    );
  });
});

describe('what a batch has time and filament for', () => {
  const parts = [
    { seconds: 600, grams: 3 },
    { seconds: 3000, grams: 3 },
    { seconds: 600, grams: 30 },
    { seconds: 600, grams: 3 },
  ];

  it('passes over what is too long or too heavy', () => {
    expect(partsWithin(parts, { seconds: 1800, grams: 10 }, 9)).toEqual([parts[0], parts[3]]);
    expect(partsWithin(parts, { seconds: 9000, grams: 100 }, 2)).toEqual([parts[0], parts[1]]);
    expect(partsWithin(parts, { seconds: 60, grams: 100 }, 9)).toEqual([]);
  });
});
