import { describe, expect, it } from 'vitest';
import { nudged, readAmount, type FieldRules } from './dimension';

const rules: FieldRules = { unit: 'mm', min: 0.1, max: 1000, measures: new Map([['cane', 8]]) };

describe('reading an amount', () => {
  it.each([
    ['25', 25],
    [' 2,5 cm ', 25],
    ['2in', 50.8],
    ['1"', 25.4],
    ['0.1234', 0.123],
  ])('%s is the plain number %d', (typed, amount) => {
    expect(readAmount(typed, rules)).toEqual({ ok: true, amount, worth: amount });
  });

  it.each([
    ['cane', 8],
    ['cane + 0.4', 8.4],
    ['60 / 4', 15],
    ['2in + 1cm', 60.8],
  ])('%s stays as it was written and is worth %d', (typed, worth) => {
    expect(readAmount(typed, rules)).toEqual({ ok: true, amount: { formula: typed }, worth });
  });

  it('takes a negative number where one may stand', () => {
    expect(readAmount('−4', { ...rules, min: -10 })).toEqual({ ok: true, amount: -4, worth: -4 });
  });

  it.each([
    ['', 'Type a number'],
    ['wide', '“wide” is not a number'],
    ['0', 'At least 0.1 mm'],
    ['2 m', 'At most 1000 mm'],
    ['cane - 8', 'At least 0.1 mm'],
  ])('%s is refused in a sentence', (typed, words) => {
    expect(readAmount(typed, rules)).toMatchObject({
      ok: false,
      message: expect.stringContaining(words) as string,
    });
  });

  it('wants whole numbers of things', () => {
    expect(readAmount('2.5', { ...rules, unit: '', min: 1 })).toMatchObject({ ok: false });
  });
});

it('nudges within bounds, without the noise of binary fractions', () => {
  expect(nudged(0.3, -0.1, 0.1, 10)).toBe(0.2);
  expect(nudged(0.1, -0.1, 0.1, 10)).toBe(0.1);
  expect(nudged(9.5, 10, 0.1, 10)).toBe(10);
});
