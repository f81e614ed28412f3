import { expect, it } from 'vitest';
import { heatNews } from './heatNotice.ts';

const now = Date.now();
const minutesAgo = (minutes: number) => new Date(now - minutes * 60_000);
const cold = { nozzleC: 21, nozzleTargetC: 0, bedC: 21, bedTargetC: 0 };
const hot = { ...cold, nozzleC: 205, nozzleTargetC: 205 };
const printer = (hotSince: Date | null, hotToldAt: Date | null = null) => ({ id: 'p', hotSince, hotToldAt });

it('begins when a printer is heated with nothing to print, and ends when it is not', () => {
  expect(heatNews(printer(null), false, hot, now)).toBe('begins');
  expect(heatNews(printer(null), false, { ...cold, bedTargetC: 60 }, now)).toBe('begins');
  expect(heatNews(printer(null), false, cold, now)).toBeUndefined();
  expect(heatNews(printer(minutesAgo(3)), false, cold, now)).toBe('ends');
});

it('is told once, and not before somebody had time to come', () => {
  expect(heatNews(printer(minutesAgo(9)), false, hot, now)).toBeUndefined();
  expect(heatNews(printer(minutesAgo(11)), false, hot, now)).toBe('lasts');
  expect(heatNews(printer(minutesAgo(30), minutesAgo(20)), false, hot, now)).toBeUndefined();
});

it('is none while the printer is used, or prints what was begun there', () => {
  expect(heatNews(printer(minutesAgo(11)), true, hot, now)).toBe('ends');
  const job = { fileName: 'own.gcode', doneBytes: 5, totalBytes: 90 };
  expect(heatNews(printer(null), false, { ...hot, job }, now)).toBeUndefined();
  expect(heatNews(printer(minutesAgo(11)), false, { ...hot, job: { ...job, doneBytes: 90 } }, now)).toBe(
    'lasts',
  );
});
