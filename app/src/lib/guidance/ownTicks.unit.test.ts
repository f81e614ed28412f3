import { expect, it } from 'vitest';
import { notTaken, untold } from './ownTicks.ts';

it('what is ticked on a page is shown so until the server tells the same, and then whatever it tells', () => {
  const own = { a: true, b: false, c: true };
  expect(untold(own, ['b'])).toEqual(own);
  expect(untold(own, ['a', 'b'])).toEqual({ b: false, c: true });
  expect(untold(own, ['a', 'c'])).toEqual({});
});

it('what was not taken is as it was, and what was ticked beside it stays', () => {
  expect(notTaken({ a: true, b: true }, 'a', true)).toEqual({ b: true });
  // Pressed again while the first was on its way.
  expect(notTaken({ a: false, b: true }, 'a', true)).toEqual({ a: false, b: true });
});
