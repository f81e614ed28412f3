import { expect, it, vi } from 'vitest';
import { inRounds, within } from './inRounds';

function* counting(to: number): Generator<number, string> {
  for (let i = 0; i < to; i++) yield i;
  return 'done';
}

it('goes through all of it, and tells what comes out', async () => {
  const heard: number[] = [];
  const result = await new Promise((done) => inRounds(counting(5), (i) => heard.push(i), done));
  expect([heard, result]).toEqual([[0, 1, 2, 3, 4], 'done']);
});

it('lets others have their turn when a round has taken a while', async () => {
  const heard: number[] = [];
  let heardByOthers: number | undefined;
  await new Promise((done) => {
    const slowly = (i: number) => {
      // The turn of others is asked for in the first round, and comes before the last.
      if (i === 0) setTimeout(() => (heardByOthers = heard.length));
      for (const until = performance.now() + 20; performance.now() < until;);
      heard.push(i);
    };
    inRounds(counting(6), slowly, done);
  });
  expect(heard).toHaveLength(6);
  expect(heardByOthers).toBeLessThan(6);
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

it('goes on for a time and no longer, and frees what is held', () => {
  vi.useFakeTimers();
  const freed = vi.fn();
  function* forever(): Generator<number> {
    try {
      for (let i = 0; ; i++) yield i;
    } finally {
      freed();
    }
  }
  const heard: number[] = [];
  for (const i of within(100, forever())) {
    heard.push(i);
    vi.advanceTimersByTime(30);
  }
  expect(heard).toEqual([0, 1, 2, 3]);
  expect(freed).toHaveBeenCalledOnce();
  vi.useRealTimers();
});
