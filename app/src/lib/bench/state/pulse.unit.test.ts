import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import type { BenchReport } from '../../shared/benchReport.ts';
import { Pulse } from './pulse.ts';

const report = (steps: number): BenchReport => ({
  steps,
  verdict: null,
  failing: [],
  promptsDone: 0,
  nextPrompt: null,
});

beforeEach(() => void vi.useFakeTimers());
afterEach(() => void vi.useRealTimers());

it('tells of a change at once, and of several close together the latest', async () => {
  const heard: number[] = [];
  const pulse = new Pulse(async ({ steps }) => heard.push(steps));
  for (const steps of [1, 2, 3]) pulse.beat(report(steps));
  expect(heard).toEqual([1]);
  await vi.advanceTimersByTimeAsync(1000);
  expect(heard).toEqual([1, 3]);
  pulse.beat(report(3));
  await vi.advanceTimersByTimeAsync(1000);
  expect(heard).toEqual([1, 3]);
});

it('tells again what did not arrive', async () => {
  const heard: number[] = [];
  let isDown = true;
  const pulse = new Pulse(async ({ steps }) => {
    if (isDown) throw new Error('offline');
    heard.push(steps);
  });
  pulse.beat(report(1));
  await vi.advanceTimersByTimeAsync(300);
  isDown = false;
  await vi.advanceTimersByTimeAsync(1000);
  expect(heard).toEqual([1]);
});

it('says nothing after it is closed', async () => {
  const heard: number[] = [];
  const pulse = new Pulse(async ({ steps }) => heard.push(steps));
  pulse.beat(report(1));
  pulse.beat(report(2));
  pulse.close();
  await vi.advanceTimersByTimeAsync(1000);
  expect(heard).toHaveLength(1);
});
