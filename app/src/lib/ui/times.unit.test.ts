import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { dayAndTime, longDay, shortDay, weekday } from './times.ts';

const zone = process.env.TZ;

beforeEach(() => void vi.useFakeTimers({ now: new Date('2026-11-28T12:00:00Z'), toFake: ['Date'] }));

afterEach(() => {
  vi.useRealTimers();
  if (zone === undefined) delete process.env.TZ;
  else process.env.TZ = zone;
});

test.each(['Pacific/Honolulu', 'America/New_York', 'Europe/Warsaw', 'Pacific/Auckland'])(
  'the day that something is due is the same day in %s',
  (schoolZone) => {
    process.env.TZ = schoolZone;
    expect(shortDay('2026-12-05')).toBe('5 Dec');
    expect(longDay('2026-12-05')).toBe('5 December');
    expect(weekday('2026-12-05')).toBe('Saturday 5 December');
  },
);

test('a time is of the day that it is where the school is', () => {
  process.env.TZ = 'Pacific/Auckland';
  expect(shortDay('2026-12-05T20:00:00Z')).toBe('6 Dec');
  expect(longDay(new Date('2026-12-05T20:00:00Z'))).toBe('6 December');
  process.env.TZ = 'America/New_York';
  expect(dayAndTime(new Date('2026-12-05T20:00:00Z'))).toBe('5 Dec, 15:00');
});

test('a day of another year says its year', () => {
  expect(shortDay('2027-01-09')).toBe('9 Jan 2027');
  expect(longDay('2025-06-30')).toBe('30 June 2025');
});
