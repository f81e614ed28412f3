import { describe, expect, it } from 'vitest';
import { isMeasuredBy } from './edits.ts';
import { length, measure } from './index.ts';

describe('a measure', () => {
  it.each([
    [10_000, true],
    [-10_000, true],
    [10_000.1, false],
    [-10_000.1, false],
  ])('of %d is taken: %s', (value, isTaken) => {
    expect(measure.safeParse({ name: 'cane', value }).success).toBe(isTaken);
  });

  it.each([
    [0.001, true],
    [100, true],
    [0.0009, false],
    [100.1, false],
  ])('that may be off by %d is taken: %s', (tolerance, isTaken) => {
    expect(measure.safeParse({ name: 'cane', value: 8, tolerance }).success).toBe(isTaken);
  });

  it('is what a number is wherever that is just the measure, and no more is made of it', () => {
    const size = { widthMm: { formula: 'cane' }, depthMm: 20, corners: [{ mm: { formula: 'cane / 2' } }] };
    expect(isMeasuredBy(size, 'cane')).toBe(true);
    expect(isMeasuredBy(size.corners, 'cane')).toBe(false);
  });
});

it('a formula has at most 120 characters', () => {
  const long = (characters: number) => length().safeParse({ formula: '1'.repeat(characters) }).success;
  expect([long(120), long(121)]).toEqual([true, false]);
});
