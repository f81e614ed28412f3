import { expect, it } from 'vitest';
import { inTurns } from './inTurns.ts';

const tasks = ['a', 'b', 'c', 'd', 'e'].map((name) => [name, name] as const);
const later = () => new Promise((resolve) => setTimeout(resolve, 5));

it('works on a few at a time, and answers by name', async () => {
  let [now, most] = [0, 0];
  const counts: number[] = [];
  const done = await inTurns(tasks, {
    atATime: 2,
    onDone: (count) => counts.push(count),
    work: async (name) => {
      most = Math.max(most, ++now);
      await later();
      now--;
      return name.toUpperCase();
    },
  });
  expect(most).toBe(2);
  expect(counts).toEqual([1, 2, 3, 4, 5]);
  expect(Object.fromEntries(done)).toEqual({ a: 'A', b: 'B', c: 'C', d: 'D', e: 'E' });
});

it('begins nothing more once one has failed', async () => {
  const begun: string[] = [];
  const working = inTurns(tasks, {
    atATime: 2,
    work: async (name) => {
      begun.push(name);
      await later();
      if (name === 'a') throw new Error('The part of Luca cannot be sliced.');
      await later();
      return name;
    },
  });
  await expect(working).rejects.toThrow('The part of Luca cannot be sliced.');
  await later();
  await later();
  expect(begun).toEqual(['a', 'b']);
});

it('begins nothing more once it is called off', async () => {
  const calling = new AbortController();
  const begun: string[] = [];
  const working = inTurns(tasks, {
    atATime: 1,
    signal: calling.signal,
    work: async (name) => {
      begun.push(name);
      await later();
      if (name === 'b') calling.abort(new Error('given up'));
    },
  });
  await expect(working).rejects.toThrow('given up');
  expect(begun).toEqual(['a', 'b']);
});
