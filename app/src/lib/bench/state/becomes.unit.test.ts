import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { becomes } from './becomes';

beforeEach(() => void vi.useFakeTimers());
afterEach(() => void vi.useRealTimers());

it('goes on at once where it is so already', async () => {
  expect(await becomes(() => true, 1000)).toBe(true);
});

it('goes on as soon as it is so, and gives up in the end', async () => {
  let isSo = false;
  setTimeout(() => (isSo = true), 100);
  const soon = becomes(() => isSo, 1000);
  await vi.advanceTimersByTimeAsync(130);
  expect(await soon).toBe(true);
  const never = becomes(() => false, 1000);
  await vi.advanceTimersByTimeAsync(1100);
  expect(await never).toBe(false);
});
