import { expect, it } from 'vitest';
import { isWorse, judge, worst, type Verdict } from './verdict.ts';

it.each<[number, 'atLeast' | 'atMost', number, Verdict]>([
  // What a mesh file rounds is no fault: 0.005 either way is the limit itself.
  [1.996, 'atLeast', 2, 'warn'],
  [1.994, 'atLeast', 2, 'fail'],
  [45.004, 'atMost', 45, 'warn'],
  [45.006, 'atMost', 45, 'fail'],
  // A twentieth of the limit on the good side warns, but for the same rounding.
  [2.094, 'atLeast', 2, 'warn'],
  [2.096, 'atLeast', 2, 'pass'],
  [42.756, 'atMost', 45, 'warn'],
  [42.754, 'atMost', 45, 'pass'],
])('%s, %s %s, is a %s', (measured, rule, limit, verdict) => {
  expect(judge(measured, rule, limit)).toBe(verdict);
});

it('orders verdicts', () => {
  expect(isWorse('fail', 'warn')).toBe(true);
  expect(isWorse('warn', 'pass')).toBe(true);
  expect(isWorse('warn', 'warn')).toBe(false);
  expect(worst(['pass', 'warn', 'pass'])).toBe('warn');
});
