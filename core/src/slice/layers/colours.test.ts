import { expect, it } from 'vitest';
import { changesByItself, changeSeconds } from './colours.ts';

it('a printer changes by itself between two places that it has filament at, and a person changes otherwise', () => {
  const colourPlaces = [0, 2, 2];
  expect(changesByItself(1, { colourPlaces })).toBe(true);
  // The same place has one colour, and what is not on the printer has none.
  expect(changesByItself(2, { colourPlaces })).toBe(false);
  expect(changesByItself(3, { colourPlaces })).toBe(false);
  expect(changesByItself(0, { colourPlaces })).toBe(false);
  expect(changesByItself(1, { colourPlaces: [] })).toBe(false);
  expect(changeSeconds(1, { colourPlaces })).toBeLessThan(changeSeconds(2, { colourPlaces }));
});
