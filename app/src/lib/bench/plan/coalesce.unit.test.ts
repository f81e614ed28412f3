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

it('waits until what the last value led to is done, but not for long', () => {
  const taken: number[] = [];
  let isReady = false;
  const task = coalesce(
    (value: number) => taken.push(value),
    () => isReady,
  );
  task(4);
  vi.advanceTimersByTime(50);
  task(5);
  expect(taken).toEqual([]);
  isReady = true;
  vi.advanceTimersByTime(5);
  expect(taken).toEqual([5]);
  isReady = false;
  task(6);
  vi.advanceTimersByTime(150);
  expect(taken).toEqual([5, 6]);
});
