import { expect, it } from 'vitest';
import { DayScale, fullHours } from './dayScale.ts';

const HOUR = 3600_000;
const scale = new DayScale(
  [
    { fromMs: 9 * HOUR, toMs: 15 * HOUR },
    { fromMs: 33 * HOUR, toMs: 39 * HOUR },
  ],
  50,
  40,
);

it('gives hours with somebody there their room, and a night the same room however long it is', () => {
  expect(scale.widthPx).toBe(640);
  expect(scale.pxOf(10 * HOUR)).toBe(50);
  expect(scale.pxOf(15 * HOUR)).toBe(300);
  expect(scale.pxOf(24 * HOUR)).toBe(320);
  expect(scale.pxOf(33 * HOUR)).toBe(340);
  expect(scale.pxOf(0)).toBe(0);
  expect(scale.pxOf(100 * HOUR)).toBe(640);
});

it('finds the time at a place again', () => {
  for (const px of [0, 10, 299, 310, 340, 500, 640]) expect(scale.pxOf(scale.msAt(px))).toBeCloseTo(px);
  expect(new DayScale([], 50, 40).widthPx).toBe(0);
});

it('marks the full hours within a time', () => {
  const at = (time: string) => new Date(`2026-12-03T${time}`).getTime();
  const hours = (from: string, to: string) =>
    fullHours({ fromMs: at(from), toMs: at(to) }).map((hour) => hour.getHours());
  expect(hours('08:40', '11:10')).toEqual([9, 10, 11]);
  expect(hours('08:40', '11:00')).toEqual([9, 10]);
  expect(hours('08:10', '08:50')).toEqual([]);
});
