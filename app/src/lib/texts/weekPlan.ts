import { said, say } from '@kelbrin/core/words';
import { inHours } from '@kelbrin/core/inspect';

/** What the plan of the week says. */
export const weekPlanTexts = said({
  title: 'Plan of the week',
  what: 'What waits, put on all printers for the days to come: first what is due, with few changes of filament, and nothing that may fail while nobody is there. Drag a batch to another time or printer, and the rest is planned around it.',
  looking: 'Planning …',
  failed: 'The plan could not be made just now. Load the page again.',
  nothing: 'Nothing waits, so there is nothing to plan.',
  noPrinter: 'There is no printer to plan for.',
  scroll: 'Printers along the days',
  isBusy: (batches: string) => say('prints or has laid {batches}', { batches }),
  batch: (number: number) => say('batch {number}', { number }),
  parts: (count: number) => say('{count, plural, one {One part} other {# parts}}', { count }),
  block: (count: number, printer: string, day: string, from: string, to: string) =>
    say('{count, plural, one {One part} other {# parts}} on {printer}, {day} {from} to {to}', {
      count,
      printer,
      day,
      from,
      to,
    }),
  takes: (seconds: number, grams: number) =>
    say('{seconds}, {grams} g', { seconds: inHours(seconds), grams: grams.toFixed(1) }),
  reasons: {
    due: (day: string) => say('It is due on {day}.', { day }),
    loaded: 'Its filament is loaded already.',
    change: 'It needs other filament, which is changed before it.',
    overnight: 'It runs overnight, when nobody waits for the printer.',
    byHand: 'Somebody put it here.',
  },
  saves: (starts: number) =>
    say('{starts, plural, one {One start} other {# starts}} fewer than printing one by one.', { starts }),
  isLate: 'It ends after one of its parts is due.',
  night: 'overnight',
  make: 'Make this batch',
  close: 'Close',
  unpin: 'Let the plan choose again',
  move: 'Move it',
  moveTo: 'to',
  moveAt: 'at',
  briefs: 'When each brief is done',
  brief: 'Brief',
  waiting: 'Waiting',
  done: 'Done',
  due: 'Due',
  never: (days: number) => say('not within {days} days', { days }),
  late: (count: number) =>
    say('{count, plural, one {One part is late.} other {# parts are late.}}', { count }),
  inTime: 'in time',
  notPlanned: (count: number) =>
    say(
      '{count, plural, one {One part has} other {# parts have}} no place in the plan: no printer can print it, there is no filament for it, or the days are full.',
      { count },
    ),
  settings: 'When somebody is there',
  settingsWhat: 'Prints are started, and plates cleared, only while somebody is there.',
  weekdays: 'Days',
  until: 'Until (empty: until the last bell)',
  freeDays: 'Days without school, one a line, as 2026-12-24',
  isAlone: 'A print may run alone into a day on which nobody comes',
  save: 'Save',
});
