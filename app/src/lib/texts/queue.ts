import { said, say } from '@kelbrin/core/words';
import { inHours } from '@kelbrin/core/inspect';

/** What the queue says. */
export const queueTexts = said({
  title: 'Queue',
  waiting: (count: number, seconds: number, grams: number) =>
    say('{count} waiting, about {seconds} and {grams} g', {
      count,
      seconds: inHours(seconds),
      grams: grams.toFixed(1),
    }),
  part: 'Part',
  student: 'Student',
  class: 'Class',
  takes: 'Time and filament',
  actions: 'What can be done',
  print: 'Print …',
  printNamed: (student: string) => say('Print {student}’s part by itself', { student }),
  printerPrints: 'prints',
  printerChanges: 'its filament is being changed',
  printerSilent: 'does not answer',
  noSpool: 'no spool',
  copy: (copy: number, copies: number) => say('copy {copy} of {copies}', { copy, copies }),
  printOn: (student: string, printer: string) =>
    say('Print {student}’s part on {printer}', { student, printer }),
  noneFree: 'no printer is free',
  nothing: 'Nothing waits. Approved parts appear here on their own.',
  choose: (student: string, copy: number) =>
    copy > 1
      ? say('Choose {student}’s part, copy {copy}', { student, copy })
      : say('Choose {student}’s part', { student }),
  chooseAll: 'Choose all',
  lay: (count: number) =>
    count === 0
      ? say('Put parts')
      : say('{count, plural, one {Put one part} other {Put # parts}}', { count }),
  chooseFirst: 'Choose parts to print them together.',
  onBatch: 'in',
  newBatch: 'a new batch',
  batch: (number: number) => say('batch {number}', { number }),
  batches: 'Batches',
  batchTakes: (seconds: number, grams: number) =>
    say('{seconds}, {grams} g', { seconds: inHours(seconds), grams: grams.toFixed(1) }),
  open: 'Open',
  isPrinting: 'printing',
  proposed: 'Proposed',
  rules:
    'First what is due first. Every student gets one part before anyone gets a second. One material in a batch. It ends before the next bell, or runs overnight.',
  proposal: (count: number, printer: string) =>
    say('{count, plural, one {One part} other {# parts}} on {printer}', {
      count,
      printer,
    }),
  proposalTakes: (seconds: number, grams: number, done: string) =>
    say('{seconds}, {grams} g, ends at {done}', { seconds: inHours(seconds), grams: grams.toFixed(1), done }),
  beforeBell: (bell: string) => say('before the bell at {bell}', { bell }),
  overnight: (morning: string) => say('overnight, ready before {morning}', { morning }),
  saves: (starts: number, seconds: number) =>
    say(
      'Saves {starts, plural, one {one start} other {# starts}} and about {seconds} compared with printing one by one.',
      {
        starts,
        seconds: inHours(seconds),
      },
    ),
  layProposal: 'Make this batch',
  due: 'Due',
  move: (student: string) =>
    say('Move {student}’s part: drag it, or press the arrow keys up and down', { student }),
  byHand: 'Somebody changed the order by hand.',
  byRules: 'Use the rules again',
  drop: 'Take out',
  dropped: 'Taken out',
  putBack: 'Put back',
  hold: 'Hold',
  release: 'Release',
  isHeld: 'on hold',
} as const);
