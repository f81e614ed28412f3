import { expect, it } from 'vitest';
import { printNeeds } from './printNeeds.ts';

const estimate = { seconds: 1800, grams: 12, filamentMm: 4000, layers: 90, colourGrams: [12] };
const notes = { unheld: [], closedIn: [[4, 5, 6] as const] };

it('a print takes its time and filament, and says nothing of supports where there are none to be', () => {
  expect(printNeeds(estimate, undefined)).toEqual({ minutes: 30, grams: 12 });
});

it('a print with supports says what of it goes into these, and what was noted of them', () => {
  const held = { ...estimate, supports: { seconds: 300, grams: 2 } };
  expect(printNeeds(held, notes)).toEqual({
    minutes: 30,
    grams: 12,
    supports: { minutes: 5, grams: 2, ...notes },
  });
  // Nothing of it hangs.
  expect(printNeeds(estimate, notes)).toEqual({
    minutes: 30,
    grams: 12,
    supports: { minutes: 0, grams: 0, ...notes },
  });
});
