import { describe, expect, it } from 'vitest';
import { bellsAfter, nextBell, nextMorning, ordinaryDay, parseSchoolDay } from './schoolDay';

const at = (time: string) => new Date(`2026-11-26T${time}:00`);

describe('a school day', () => {
  it('is read from lines of two times', () => {
    expect(parseSchoolDay('8:40 9:30\n\n09:30 – 10:20\n')).toEqual({
      ok: true,
      day: ordinaryDay.slice(0, 2),
    });
  });

  it.each([
    ['8:40 9:30\n10:00', 'Line 2: A time is written like 08:30.'],
    ['9:30 8:40', 'Line 1: A lesson has to end later than it begins.'],
    ['8:40 9:30\n9:20 10:00', 'Each lesson has to begin after the one before it ends.'],
    ['', 'Enter at least one lesson.'],
    ['25:00 26:00', 'Line 1: A time is written like 08:30.'],
  ])('names what is wrong with %j', (words, problem) => {
    expect(parseSchoolDay(words)).toEqual({ ok: false, problem });
  });

  it('says when the next bell rings, and when the next morning begins', () => {
    expect(nextBell(ordinaryDay, at('08:00'))).toEqual(at('09:30'));
    expect(nextBell(ordinaryDay, at('10:20'))).toEqual(at('11:30'));
    expect(nextBell(ordinaryDay, at('14:50'))).toBeUndefined();
    expect(bellsAfter(ordinaryDay, at('14:00'))).toEqual([at('14:50')]);
    expect(bellsAfter(ordinaryDay, at('00:00'))).toHaveLength(6);
    expect(nextMorning(ordinaryDay, at('07:00'))).toEqual(at('08:40'));
    expect(nextMorning(ordinaryDay, at('15:00'))).toEqual(new Date('2026-11-27T08:40:00'));
  });
});
