import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import type { Company } from '../../shared/company';
import { CompanyAtBench } from './company.svelte';

const pointer = { teacher: 'Mr Fenwick', partId: 'p1', anchor: { step: 's1' }, words: 'Look.', at: '1' };
let found: Company | Error;
const told: unknown[] = [];
let company: CompanyAtBench;
beforeEach(() => {
  vi.useFakeTimers();
  told.length = 0;
  company = new CompanyAtBench({
    look: () => (found instanceof Error ? Promise.reject(found) : Promise.resolve(found)),
    tell: (where) => Promise.resolve(told.push(where)),
    leave: () => Promise.resolve(told.push('left')),
  });
});
afterEach(() => {
  company.close();
  vi.useRealTimers();
});

it('says who works at a step, and keeps what it knows when it cannot ask', async () => {
  found = { seats: [{ name: 'Noor', partId: 'p1', stepId: 's2' }] };
  await company.look();
  found = new Error('no connection');
  await company.look();
  expect([company.at('p1', 's2'), company.at('p1', 's1'), company.at('p2', 's2')]).toEqual([
    ['Noor'],
    [],
    [],
  ]);
});

it('tells where one is once for quick moves, again each half minute, and when one leaves', async () => {
  found = { seats: [] };
  company.sit({ partId: 'p1', stepId: 's1' });
  company.sit({ partId: 'p1', stepId: 's2' });
  await vi.advanceTimersByTimeAsync(1000);
  expect(told).toEqual([{ partId: 'p1', stepId: 's2' }]);
  await vi.advanceTimersByTimeAsync(30_000);
  expect(told).toHaveLength(2);
  company.close();
  await vi.advanceTimersByTimeAsync(90_000);
  expect(told.slice(2)).toEqual(['left']);
});

it('shows what the teacher points at until it was seen, and what comes after that', async () => {
  found = { seats: [], pointer };
  await company.look();
  expect(company.pointer).toEqual(pointer);
  expect(company.pins('p1')).toEqual([]);
  company.seen();
  await company.look();
  expect(company.pointer).toBeUndefined();
  found = { seats: [], pointer: { ...pointer, anchor: { at: [1, 2, 3] }, at: '2' } };
  await company.look();
  expect(company.pins('p1')).toEqual([{ at: [1, 2, 3], words: 'Mr Fenwick' }]);
  expect(company.pins('p2')).toEqual([]);
});
