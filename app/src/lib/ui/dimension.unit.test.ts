import { expect, it } from 'vitest';
import { nudged, readLength } from './dimension';

it.each([
  ['4', 4],
  [' 4.25 ', 4.25],
  ['4,25', 4.25],
  ['2 cm', 20],
  ['2in', 50.8],
  ['-3 mm', -3],
  ['−3', -3],
  ['.5', 0.5],
])('reads “%s” as %f mm', (typed, mm) => {
  expect(readLength(typed, -100, 1000)).toEqual({ ok: true, mm });
});

it.each(['', 'wide', '4 ell', '1.2.3', 'mm'])('does not take “%s” for a length', (typed) => {
  expect(readLength(typed, 0, 10)).toMatchObject({ ok: false });
});

it('names the bound that a length is beyond', () => {
  expect(readLength('0', 0.1, 10)).toEqual({ ok: false, message: 'At least 0.1 mm.' });
  expect(readLength('11', 0.1, 10)).toEqual({ ok: false, message: 'At most 10 mm.' });
});

it('nudges without gathering rounding errors, and stops at the bounds', () => {
  let mm = 0;
  for (let i = 0; i < 30; i++) mm = nudged(mm, 0.1, 0, 2.5);
  expect(mm).toBe(2.5);
  expect(nudged(0.2, 0.1, 0, 1)).toBe(0.3);
});
