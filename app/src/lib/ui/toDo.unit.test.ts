import { expect, it } from 'vitest';
import { isOnlyToDo } from './toDo';

const check = (id: 'brief' | 'size', verdict: 'pass' | 'warn' | 'fail') => ({ id, verdict }) as never;

it('is to do while nothing but the brief is missed, and a failure as soon as anything else fails', () => {
  expect(isOnlyToDo({ checks: [check('brief', 'fail'), check('size', 'warn')] })).toBe(true);
  expect(isOnlyToDo({ checks: [check('brief', 'fail'), check('size', 'fail')] })).toBe(false);
  expect(isOnlyToDo({ checks: [check('brief', 'pass'), check('size', 'fail')] })).toBe(false);
  expect(isOnlyToDo({ checks: [check('brief', 'pass')] })).toBe(false);
});
