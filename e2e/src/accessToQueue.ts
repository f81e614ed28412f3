import type { Line, Somebody } from './accessLine.ts';

const teachers: Somebody[] = ['teacher', 'otherTeacher'];
const staff: Somebody[] = ['helper', ...teachers];

/** What can be asked of the queue, of the plan of the week, of parts of batches and their supports, and of materials. */
export const accessToQueue: readonly Line[] = [
  { route: '/batch/[batch]/own/[entry]', call: 'PUT', body: () => ({ wallLines: 3 }), may: staff },
  { route: '/review/[handIn]/supports', call: 'PUT', body: () => ({ marks: [] }), may: ['teacher'] },
  {
    route: '/picture/[kind]/[id]',
    call: 'GET',
    path: ({ entry }) => `/picture/entry/${entry}?row`,
    // It hangs in the gallery of the class.
    may: ['own', 'team', 'mate', ...staff],
  },
  { route: '/materials', call: 'load', may: teachers },
  { route: '/materials', call: '?/save', body: () => ({ name: '' }), may: teachers },
  { route: '/materials', call: '?/remove', body: ({ brief }) => ({ id: brief }), may: [] },
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
