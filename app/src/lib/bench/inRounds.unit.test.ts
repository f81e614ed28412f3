import { expect, it, vi } from 'vitest';
import { inRounds } from './inRounds';

function* counting(to: number): Generator<number, string> {
  for (let i = 0; i < to; i++) yield i;
  return 'done';
}

it('goes through all of it, and tells what comes out', async () => {
  const heard: number[] = [];
  const result = await new Promise((done) => inRounds(counting(5), (i) => heard.push(i), done));
  expect([heard, result]).toEqual([[0, 1, 2, 3, 4], 'done']);
});

it('does no more once it is stopped', () => {
  vi.useFakeTimers();
  const done = vi.fn();
  const stop = inRounds(counting(5), () => {}, done);
  stop();
  vi.runAllTimers();
  expect(done).not.toHaveBeenCalled();
  vi.useRealTimers();
});
