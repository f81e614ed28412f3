import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { coalesce } from './coalesce';

beforeEach(() => void vi.useFakeTimers());
afterEach(() => void vi.useRealTimers());

it('takes the newest of several values, and not in the task that brought them', () => {
  const taken: number[] = [];
  const task = coalesce((value: number) => taken.push(value));
  task(1);
  task(2);
  expect(taken).toEqual([]);
  vi.runAllTimers();
  expect(taken).toEqual([2]);
});

it('loses no last value when it is asked to finish, and takes none twice', () => {
  const taken: number[] = [];
  const task = coalesce((value: number) => taken.push(value));
  task(3);
  task.finish();
  task.finish();
  vi.runAllTimers();
  expect(taken).toEqual([3]);
});
