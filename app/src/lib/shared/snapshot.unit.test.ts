import { expect, it } from 'vitest';
import { isChangeIn } from './snapshot.ts';

it('has what was done before its first that was under way, and of the others what was not under way', () => {
  const seen = (snapshot: string) => [9, 10, 13, 14, 19, 20, 21].filter((each) => isChangeIn(snapshot, each));
  expect(seen('10:20:10,14,15')).toEqual([9, 13, 19]);
  expect(seen('20:20:')).toEqual([9, 10, 13, 14, 19]);
  expect(seen('10:10:')).toEqual([9]);
});
