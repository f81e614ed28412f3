import { said, say } from '@kelbrin/core/words';
import type { PauseReason } from '../shared/pauseReason';

/** What the print room says. */
export const printRoomTexts = said({
  title: 'Print room',
  waiting: (count: number) =>
    say('{count, plural, one {one part waiting} other {# parts waiting}}', { count }),
  openQueue: 'Open the queue',
  noPrinter: 'There is no printer yet.',
  printer: (name: string) => say('Printer {name}', { name }),
  nozzle: 'nozzle',
  plate: 'plate',
  trend: (nozzleFrom: number, nozzleTo: number, plateFrom: number, plateTo: number) =>
    say(
      'The last ten minutes: nozzle from {nozzleFrom} to {nozzleTo} °C, plate from {plateFrom} to {plateTo} °C',
      { nozzleFrom, nozzleTo, plateFrom, plateTo },
    ),
  ofDegrees: (targetC: number) => say(' of {targetC}°', { targetC }),
  progressOf: (students: string) => say('Progress of the print for {students}', { students }),
  parts: (count: number) => say('{count} parts', { count }),
  batch: (number: number, parts: number) =>
    say('Batch {number}, {parts, plural, one {one part} other {# parts}}', {
      number,
      parts,
    }),
  and: ' and ',
  andMore: (names: readonly string[], more: number) =>
    say('{names} and {more} more', { names: names.join(', '), more }),
  layer: (at: number, of: number) => say('layer {at} of {of}', { at, of }),
  about: 'about',
  left: 'left',
  spoolLeft: (needed: number, left: number) =>
    say('{needed} g of the {left} g on the spool still needed', {
      needed: needed.toFixed(1),
      left: left.toFixed(0),
    }),
  dayLane: (printer: string) => say('{printer} along the school day', { printer }),
  bell: (time: string) => say('bell at {time}', { time }),
  now: 'now',
  runBlock: (names: string, from: string, to: string) => say('{names}, {from} to {to}', { names, from, to }),
  planned: (batch: number, from: string, to: string) =>
    say('Batch {batch}, planned from {from} to {to}', { batch, from, to }),
  dayTitle: 'The school day',
  dayWhat: 'One lesson per line, when it begins and ends: 08:40 09:30',
  daySave: 'Save the bells',

  cancel: 'Cancel the print',
  cancelTitle: (batch: number) => say('Cancel batch {batch}?', { batch }),
  cancelWhat: (percent: number) =>
    say(
      '{percent}% of it is printed. It cannot go on afterwards: the batch has to be printed again from the beginning.',
      { percent },
    ),
  cancelByHand: (printer: string) =>
    say('Stop it at {printer} too, if it has begun. It cannot go on afterwards.', { printer }),
  toClear: 'to be cleared',
  lies: (batch: number, names: string) => say('Batch {batch} lies on the plate: {names}', { batch, names }),
  clearFirst: 'Take it off when the plate is cool, and wipe the plate. Nothing else is started before.',
  isClear: 'The plate is clear',
  nextReady: (batch: number) => say('Batch {batch} is ready for this printer.', { batch }),
  nextWaits: (batch: number) => say('Batch {batch} is ready and comes next.', { batch }),
  openNext: 'Look at it and start it',
  noteOutcome: 'Note the outcome',
  hot: (since: string) =>
    say('It is hot with nothing to print since {since}: look at it, and switch its heaters off.', { since }),
  nothingOn: 'Nothing on this printer. Start a part from the queue.',
  before: 'Earlier prints',
  noRuns: 'no prints yet',
  offline: 'does not answer',
  free: 'free',
  changing: 'filament is being changed',
  stopping: 'stopping',
  slicing: (share: number) =>
    share === 0
      ? say('slicing the batch')
      : say('slicing the batch, {percent}% done', { percent: Math.round(100 * share) }),
  sending: (share: number) =>
    share === 0
      ? say('sending the batch')
      : say('sending the batch, {percent}% done', { percent: Math.round(100 * share) }),
  toBegin: 'waits to be begun',
  heating: 'heating',
  printing: 'printing',
  finished: 'finished',
  failed: 'failed',
  cancelled: 'cancelled',
  paused: 'paused',
  pause: 'Pause',
  resume: 'Resume',
  silent: (since: string) =>
    say(
      'No answer since {since}. It may still be printing: look at the printer, its cable and the network. This page goes on when it answers. If the print is lost, end it here.',
      { since },
    ),
  giveUp: 'End this print',
  whyPaused: {
    user: 'Somebody paused it. The plate stays warm, so do not wait too long.',
    filament: 'Change the filament for the next colour, then resume.',
    runout: 'The filament has run out. Put more of the same on, then resume.',
    clog: 'No plastic comes out: the nozzle is blocked. Heat it, push filament through by hand or clean it, then resume; or cancel the print.',
    door: 'The door is open. Close it, then resume.',
    other: 'The printer has paused and waits for somebody: look at what it shows, then resume.',
  } satisfies Record<PauseReason, string>,
  firstBad: 'Report a bad first layer',
  firstTitle: 'What is wrong with the first layer?',
  firstFaults: [
    [
      'Lines are round and lie apart',
      'The nozzle is too high. Cancel, lower it by 0.05 mm, and start the batch again.',
    ],
    [
      'Lines are torn, or hardly any plastic comes out',
      'The nozzle is too low. Cancel, raise it by 0.05 mm, and start the batch again.',
    ],
    [
      'Lines do not stick and are dragged along',
      'Cancel, wipe the plate with alcohol, check that it gets warm, and start the batch again; a brim helps slender parts.',
    ],
  ],
  goOn: 'Keep printing',
} as const);
