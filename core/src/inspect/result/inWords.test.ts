import { expect, it } from 'vitest';
import { inHours, inMoney } from './inWords.ts';

it.each([
  [0, '0 min'],
  [1, '1 min'],
  [60, '1 min'],
  [60.2, '1 min'],
  [985, '17 min'],
  [3600, '1 h'],
  [6700, '1 h 52 min'],
  [655_860, '182 h 11 min'],
])('says how long %d s are', (seconds, words) => {
  expect(inHours(seconds)).toBe(words);
});

it('says a price in the currency of its code', () => {
  expect(inMoney(0.416, 'EUR')).toBe('€0.42');
  expect(inMoney(1234.5, 'GBP')).toBe('£1,234.50');
});
