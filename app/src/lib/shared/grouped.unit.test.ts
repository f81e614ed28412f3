import { expect, it } from 'vitest';
import { grouped } from './grouped.ts';

it('keeps things that have something in common together, in the order in which they come', () => {
  expect(grouped(['bean', 'pea', 'beet', 'plum'], (word) => word[0])).toEqual([
    ['b', ['bean', 'beet']],
    ['p', ['pea', 'plum']],
  ]);
  expect(grouped([], () => 0)).toEqual([]);
});
