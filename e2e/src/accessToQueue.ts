import type { Line, Somebody } from './accessLine.ts';

const teachers: Somebody[] = ['teacher', 'otherTeacher'];
const staff: Somebody[] = ['helper', ...teachers];

/** What can be asked of the queue and of the plan of the week. */
export const accessToQueue: readonly Line[] = [
  { route: '/plan', call: 'load', may: staff },
  { route: '/plan/week', call: 'GET', may: staff },
  {
    route: '/plan',
    call: '?/pin',
    body: ({ entry, printer }) => ({ entry, printer, at: String(Date.now()) }),
    may: staff,
  },
  { route: '/plan', call: '?/unpin', body: ({ entry }) => ({ pin: entry }), may: staff },
  { route: '/plan', call: '?/make', body: ({ brief }) => ({ entry: brief }), may: staff },
  {
    route: '/plan',
    call: '?/planning',
    body: () => ({ weekday: '1', until: '', freeDays: '' }),
    may: teachers,
  },
  { route: '/queue/proposals', call: 'GET', may: staff },
  { route: '/queue', call: '?/drop', body: ({ entry }) => ({ entry, dropped: 'no' }), may: teachers },
];
