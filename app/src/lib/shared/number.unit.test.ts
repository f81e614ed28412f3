import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { numberField, optionalNumberField, readNumber, writtenNumber } from './number.ts';

const rules = { min: 0, max: 1_000_000 };
const worth = (typed: string, unit: 'g' | 'min' | '' = '') => readNumber(typed, { ...rules, unit });

describe('a number', () => {
  it.each([
    ['19,90', 19.9],
    ['19.90', 19.9],
    ['£19.90', 19.9],
    ['19,90 €', 19.9],
    ['1,250.50', 1250.5],
    ['1.250,50', 1250.5],
    ['1 250,5', 1250.5],
    ['1’250.5', 1250.5],
    ['1,250,000', 1_000_000 + 250_000],
    ['12.5 + 7,5', 20],
  ])('typed as %s is read as people mean it', (typed, value) => {
    expect(readNumber(typed, { min: 0, max: 2_000_000 })).toEqual({ ok: true, value });
  });

  it('may have a unit of its kind and no other', () => {
    expect(worth('0,75 kg', 'g')).toEqual({ ok: true, value: 750 });
    expect(worth('1,5 h', 'min')).toEqual({ ok: true, value: 90 });
    expect(worth('2 in', 'g')).toEqual({
      ok: false,
      message: '“in” is for a length, and this is a weight.',
    });
    expect(worth('20 mm')).toMatchObject({ ok: false });
  });

  it('says what is wrong with it', () => {
    expect(readNumber('200', { min: 0, max: 100, unit: '%' })).toEqual({
      ok: false,
      message: 'At most 100%.',
    });
    expect(readNumber('2,5', { min: 1, max: 10, whole: true })).toMatchObject({ message: 'A whole number.' });
    expect(worth('many')).toMatchObject({ ok: false });
    expect(worth('19,9o')).toEqual({ ok: false, message: '“o” cannot stand in a number.' });
  });

  it('reads back as it is written', () => {
    fc.assert(
      fc.property(fc.integer({ min: -999_999, max: 999_999 }), (thousandths) => {
        const value = thousandths / 1000;
        expect(readNumber(writtenNumber(value), { min: -1e6, max: 1e6 })).toEqual({
          ok: true,
          value: value + 0,
        });
      }),
    );
  });

  it('is read from a form by the same rules', () => {
    const grams = numberField(
      { unit: 'g', min: 0, max: 10_000 },
      () => 'Say how many grams there are on it.',
    );
    expect(grams.parse('1 000')).toBe(1000);
    expect(grams.safeParse('').error?.issues[0].message).toBe('Say how many grams there are on it.');
    expect(grams.safeParse(undefined).success).toBe(false);
    expect(optionalNumberField(rules).parse(' ')).toBeNull();
    expect(optionalNumberField(rules).parse('19,90')).toBe(19.9);
  });
});
