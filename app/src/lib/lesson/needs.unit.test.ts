import { expect, it } from 'vitest';
import type { BenchReport } from '../shared/benchReport.ts';
import { needOf, type Begun } from './needs.ts';

const now = Date.parse('2026-03-02T10:30:00Z');
const ago = (minutes: number) => new Date(now - minutes * 60_000);
const report = (verdict: BenchReport['verdict']): BenchReport => ({
  steps: 3,
  verdict,
  failing: [],
  promptsDone: 1,
  nextPrompt: 'p2',
});
const student = (change: Partial<Begun> = {}): Begun => ({
  updatedAt: ago(1),
  helpAskedAt: null,
  report: report('pass'),
  state: 'designing',
  ...change,
});

it('puts those first who need the teacher most', () => {
  const inOrder: (Begun | undefined)[] = [
    student({ helpAskedAt: ago(6) }),
    student({ helpAskedAt: ago(2), state: 'waiting' }),
    student({ report: report('fail'), updatedAt: ago(5) }),
    undefined,
    student({ report: report('fail') }),
    student({ updatedAt: ago(12) }),
    student(),
    student({ state: 'waiting', updatedAt: ago(20) }),
  ];
  const ranks = inOrder.map((each) => needOf(each, now).rank);
  expect(ranks).toEqual([...ranks].sort((a, b) => a - b));
  expect(new Set(ranks).size).toBe(ranks.length);
  expect(inOrder.map((each) => needOf(each, now).words)).toEqual([
    'has been asking for help for 6 min',
    'has been asking for help for 2 min',
    'stuck for 5 min: a check fails',
    'has not begun',
    'a check fails',
    'nothing was changed for 12 min',
    'designing',
    'handed in',
  ]);
});

it('takes a recipe that cannot be built like a check that fails', () => {
  expect(needOf(student({ report: report(null) }), now).kind).toBe('fails');
});

it('does not call somebody stuck or quiet whose last edit was made in another lesson', () => {
  expect(needOf(student({ report: report('fail'), updatedAt: ago(60 * 24) }), now).kind).toBe('fails');
  expect(needOf(student({ updatedAt: ago(60 * 24) }), now).kind).toBe('designs');
});
