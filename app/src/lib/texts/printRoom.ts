import type { PauseReason } from '../server/printers/driver';

/** What the print room says. */
export const printRoomTexts = {
  title: 'Print room',
  waiting: (count: number) => (count === 1 ? 'one part waiting' : `${count} parts waiting`),
  openQueue: 'Open the queue',
  noPrinter: 'There is no printer yet.',
  printer: (name: string) => `Printer ${name}`,
  nozzle: 'nozzle',
  bed: 'bed',
  progressOf: (students: string) => `Progress of the print for ${students}`,
  plate: (number: number, parts: number) => `Plate ${number}, ${parts === 1 ? 'one part' : `${parts} parts`}`,
  and: ' and ',
  andMore: (names: readonly string[], more: number) => `${names.join(', ')} and ${more} more`,
  about: 'about',
  minLeft: 'min left',
  spoolLeft: (needed: number, left: number) =>
    `${needed.toFixed(1)} g of the ${left.toFixed(0)} g on the spool still needed`,
  dayLane: (printer: string) => `${printer} along the school day`,
  bell: (time: string) => `bell at ${time}`,
  now: 'now',
  runBlock: (names: string, from: string, to: string) => `${names}, ${from} to ${to}`,
  dayTitle: 'The school day',
  dayWhat: 'When lessons begin and end, a line for each: 08:40 09:30',
  daySave: 'Save the bells',

  cancel: 'Cancel the run',
  nothingOn: 'Nothing on this printer. Start a part from the queue.',
  before: 'Before',
  noRuns: 'no runs yet',
  offline: 'does not answer',
  free: 'free',
  stopping: 'stopping',
  slicing: 'slicing the plate',
  sending: 'sending the plate',
  heating: 'heating',
  printing: 'printing',
  finished: 'finished',
  failed: 'failed',
  cancelled: 'cancelled',
  paused: 'stands still',
  pause: 'Pause',
  resume: 'Go on',
  whyPaused: {
    user: 'Somebody has it stand still. The bed stays warm; do not wait too long.',
    filament:
      'Change the filament for the next colour: pull the old one out, load the new one, let it run until the colour is clean. Then go on.',
    runout:
      'The filament has run out. Load more of the same, let it run until it comes out evenly, note the roll in “Spools”, and go on.',
    clog: 'No plastic comes out: the nozzle is clogged. Heat it, push filament through by hand or clean it, and go on; or cancel the run.',
    door: 'The door is open. Close it and go on.',
    other: 'The printer stands still and waits for somebody: look at what it shows, and go on.',
  } satisfies Record<PauseReason, string>,
  firstBad: 'First layer is bad',
  firstTitle: 'What is wrong with the first layer?',
  firstFaults: [
    [
      'Lines are round and lie apart',
      'The nozzle is too high. Cancel, lower it by a turn of 0.05 mm, and start the plate again.',
    ],
    [
      'Lines are torn, or hardly any plastic comes out',
      'The nozzle is too low. Cancel, raise it by 0.05 mm, and start the plate again.',
    ],
    [
      'Lines do not stick and are dragged along',
      'Cancel, wipe the bed with alcohol, check that it gets warm, and start the plate again; a brim helps slender parts.',
    ],
  ],
  goOn: 'It is good after all',
} as const;
