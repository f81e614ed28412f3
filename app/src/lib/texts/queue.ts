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
  chooseAll: 'Choose all that are shown',
  chooseGroup: (group: string) => say('Choose all of {group}', { group }),
  chosen: (count: number, seconds: number, grams: number) =>
    say('{count, plural, one {One part} other {# parts}} chosen, {seconds}, {grams} g', {
      count,
      seconds: inHours(seconds),
      grams: grams.toFixed(1),
    }),
  chooseNone: 'Choose none',
  chooseFirst: 'Choose parts to print them together, or to do something with all of them at once.',
  shown: (count: number, of: number) => say('{count} of {of} shown', { count, of }),
  part: (name: string, student: string) => say('{name}, {student}’s part', { name, student }),
  dueOn: (day: string) => say('due {day}', { day }),
  search: 'Find a part',
  searchWhat: 'Name, part, class or brief',
  facets: {
    class: 'Class',
    brief: 'Brief',
    student: 'Student',
    material: 'Material',
    colour: 'Colour',
    due: 'Due',
    state: 'Status',
  },
  all: (facet: string) => say('{facet}: all', { facet }),
  choice: (value: string, count: number) => say('{value} ({count})', { value, count }),
  anyColour: 'any colour',
  noDueDate: 'no due date',
  states: { waiting: 'waiting', held: 'on hold', out: 'taken out' },
  showAll: 'Show all',
  groupBy: 'Group by',
  noGroups: 'nothing',
  group: (count: number, seconds: number, grams: number) =>
    say('{count, plural, one {one part} other {# parts}}, {seconds}, {grams} g', {
      count,
      seconds: inHours(seconds),
      grams: grams.toFixed(1),
    }),
  openGroup: (group: string) => say('Show the parts of {group}', { group }),
  nothingFound: 'No part is like that.',
  notMoved: 'The part is where it was.',
  notOpened: 'What has to be looked at before a start could not be fetched: press Print again in a moment.',
  list: 'Parts in the queue',
  first: 'Print first',
  looking: 'Looking for what fits on each printer …',
  done: {
    held: (count: number) =>
      say('{count, plural, one {One part is} other {# parts are}} on hold.', { count }),
    released: (count: number) =>
      say('{count, plural, one {One part waits} other {# parts wait}} again.', { count }),
    dropped: (count: number) =>
      say('{count, plural, one {One part was} other {# parts were}} taken out.', { count }),
    putBack: (count: number) =>
      say('{count, plural, one {One part is} other {# parts are}} back in the queue.', { count }),
  },
  undo: 'Undo',
  lay: (count: number) =>
    count === 0
      ? say('Put parts')
      : say('{count, plural, one {Put one part} other {Put # parts}}', { count }),
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
  move: (student: string) =>
    say('Move {student}’s part: drag it, or press the arrow keys up and down', { student }),
  byHand: 'Somebody changed the order by hand.',
  byRules: 'Use the rules again',
  drop: 'Take out',
  putBack: 'Put back',
  hold: 'Hold',
  release: 'Release',
  isHeld: 'on hold',
} as const);
