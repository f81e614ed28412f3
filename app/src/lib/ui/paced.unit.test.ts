import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { paced } from './paced';

beforeEach(() => void vi.useFakeTimers());
afterEach(() => void vi.useRealTimers());

/** What is taken of a value that changes, each time with when, ms. */
function following() {
  const begun = performance.now();
  const taken: [value: number, ms: number][] = [];
  let value = 0;
  const follow = paced(() => taken.push([value, performance.now() - begun]), 150);
  const put = (next: number) => {
    value = next;
    follow();
  };
  return { taken, put, follow };
}

it('follows at once, then in steps that are apart, and ends where the value does', () => {
  const { taken, put } = following();
  for (let i = 1; i <= 40; i++) {
    put(i);
    vi.advanceTimersByTime(10);
  }
  vi.advanceTimersByTime(1000);
  expect(taken).toEqual([
    [1, 0],
    [15, 150],
    [30, 300],
    [40, 450],
  ]);
});

it('follows at once again after a rest', () => {
  const { taken, put } = following();
  put(1);
  vi.advanceTimersByTime(151);
  put(2);
  expect(taken).toEqual([
    [1, 0],
    [2, 151],
  ]);
});

it('leaves what waits undone when it is cancelled, and follows what comes later', () => {
  const { taken, put, follow } = following();
  put(1);
  put(2);
  follow.cancel();
  vi.advanceTimersByTime(500);
  expect(taken).toEqual([[1, 0]]);
  put(3);
  expect(taken).toEqual([
    [1, 0],
    [3, 500],
  ]);
});
