import { said, say, sayList } from '@kelbrin/core/words';
import { inHours } from '@kelbrin/core/inspect';
import { formatNumber } from '@kelbrin/core/recipe';
import type { AfterFailure, OutcomeKind } from '../shared/outcome';

const outcomes: Record<OutcomeKind, string> = said({
  good: 'good',
  sanded: 'usable after sanding',
  loose: 'came loose',
  knocked: 'got knocked off',
  strings: 'has strings',
  droop: 'sagged',
  tight: 'fits too tightly',
  wobbly: 'fits too loosely',
  broke: 'broke',
  colour: 'wrong colour',
  other: 'something else',
});

/** What the page of a batch says. */
export const batchTexts = said({
  title: (number: number) => say('Batch {number}', { number }),
  queue: 'Queue',
  count: (parts: number) => say('{parts, plural, one {one part} other {# parts}}', { parts }),
  left: (count: number) =>
    say(
      '{count, plural, one {One part found no room and waits again.} other {# parts found no room and wait again.}}',
      { count },
    ),
  views: 'View',
  plate: 'Plate',
  layers: 'Layers',
  layerOf: (student: string, layer: string) => say('{student}: {layer}', { student, layer }),
  section: 'Section',
  sectionOf: 'Through the part of',
  fromFront: 'From the front',
  plateOf: (width: number, depth: number) =>
    say('Plate, {width} × {depth} mm, seen from above', { width, depth }),
  brokenUp: 'This batch was broken up after it had been tried.',
  notTakenOff: 'The part is still on the batch.',
  howToMove:
    'Drag a part, or choose it and move it with the arrow keys. R turns it by 15°, Shift+R the other way. Parts move apart by themselves. Hold Alt to leave them exactly where you drop them.',
  part: (student: string) => say('Part of {student}', { student }),
  turn: 'Turn 15°',
  takeOff: 'Take off the batch',
  arrange: 'Arrange again',
  discard: 'Break up this batch',
  parts: 'Parts',
  settings: 'How it is printed',
  set: 'Quality',
  infill: 'Inside filled',
  infillWhy: 'More makes it stiffer, heavier and slower.',
  pattern: 'Lines inside',
  patterns: {
    1: 'lines one way',
    2: 'lines crossed',
    3: 'lines three ways',
    outline: 'along the outline',
    honeycomb: 'six-sided cells',
    waves: 'waves',
  },
  adapted: 'Layers adapt to slopes',
  smooth: 'Smooth the tops',
  smoothWhy: 'The nozzle goes once more over faces that are seen from above. It takes longer.',
  supports: 'Supports',
  supportForms: said({ columns: 'straight', branches: 'leaning, joined' }),
  supportsWhy:
    'Of parts that were approved with them. Straight ones hold best; those that lean and join take less plastic.',
  adaptedWhy: 'Fine where a face slopes, thick where it is upright: smooth and still quick.',
  seam: 'Seam',
  seamWhy: 'Where the lines around each layer begin, which shows as a fine line.',
  seamMarked: 'at a mark',
  seamMarkedHow: 'The mark on the plate is dragged along the part, or moved by the arrow keys.',
  seamMark: (student: string) => say('Where the lines of {student}’s part begin', { student }),
  tops: 'Tops',
  topsAre: { false: 'as they come', true: 'smoothed' },
  seams: { hidden: 'in a corner', behind: 'at the back', spread: 'spread out' },
  wallLines: 'Wall lines',
  wallLinesWhy: 'Strength comes from these more than from what is inside.',
  oneByOne: 'One part after another',
  oneByOneWhy:
    'Each part is finished before the next begins: one that fails spoils no other. They lie further apart.',
  oneByOneNot: 'Since the colour changes at a height, all parts grow together.',
  hop: 'Rise on the way',
  hopWhy: 'How far the nozzle rises where it goes from one place to another: 0.4 mm keeps it off letters.',
  brim: 'Brim',
  brimWhy: 'Keeps slender parts on the plate; it is cut off afterwards.',
  colourAt: 'Change colour at',
  bellAt: (time: string) => say('So far at the bell at {time}', { time }),
  colourWhy: 'The print stops there until somebody has changed the filament.',
  takes: 'Time and filament',
  slicing: (done: number, of: number) => say('slicing, {done} of {of}', { done, of }),
  callOff: 'Stop',
  calledOff: 'Not sliced since the last change.',
  sliceAgain: 'Slice it',
  metres: 'm of filament',
  grams: 'g',
  thenGrams: (grams: readonly string[]) => grams.join(say(' g, then ')),
  gramsOf: (grams: number) => say('{grams} g', { grams: grams.toFixed(1) }),
  otherColour: (wished: string, loaded: string) =>
    say(
      'It should be {wished}, but {loaded} is on the printer. Change the filament, or print it in that colour.',
      {
        wished,
        loaded,
      },
    ),
  coloursClash: (
    [one, oneColour]: readonly [string, string],
    [other, otherColour]: readonly [string, string],
    atMm: number,
  ) =>
    say(
      'At {mm} mm {one} should be {oneColour} and {other} {otherColour}. A printer has one colour at a time: put one of them in another batch.',
      { mm: formatNumber(atMm), one, oneColour, other, otherColour },
    ),
  doneAt: (time: string) => say('If you start it now, it ends at {time}', { time }),
  beforeBell: (bell: string) => say(', before the bell at {bell}.', { bell }),
  afterBell: (seconds: number, bell: string) =>
    say(', {seconds} after the bell at {bell}.', { seconds: inHours(seconds), bell }),
  costs: (money: string, spool: number) => say('{money} from spool {spool}', { money, spool }),
  noBell: ', after school.',
  start: 'Start',
  startOn: (printer: string) => say('Start on {printer}', { printer }),
  sheet: 'Batch sheet',
  gcode: 'G-code',
  plannedFor: 'Planned for',
  noPrinter: 'no printer',
  noneFree: 'No printer is free.',
  isPrinting: 'This batch is on a printer.',
  watch: 'Print room',
  before: (printer: string) => say('Before {printer} starts', { printer }),
  checks: {
    spools: (rolls: readonly (readonly string[])[]) =>
      say('{count, plural, one {{rolls}, is on the printer} other {{rolls} are on the printer}}', {
        count: rolls.length,
        rolls: sayList(rolls.map(([material, colour]) => say('{material}, {colour}', { material, colour }))),
      }),
    plate: 'The plate is empty and wiped',
    plateOf: (batch: number) => say('Batch {batch} was taken off; the plate is empty and wiped', { batch }),
    sheet: 'The print sheet that belongs to this printer lies flat',
    watch: 'Somebody stays and watches the first layer',
  },
  wrongMaterial: (wanted: string, printer: string, loaded: string | undefined) =>
    loaded
      ? say('This is for {wanted}, and there is {loaded} on {printer}.', { wanted, loaded, printer })
      : say('Kelbrin does not know which spool is on {printer}: say so under “Spools”.', { printer }),
  tooLittle: (needed: number, left: number) =>
    say('This takes {needed} g, and there are {left} g on the spool.', {
      needed: needed.toFixed(1),
      left: left.toFixed(1),
    }),
  places: 'Where each colour comes from',
  anyColour: 'any colour',
  comesFrom: (colour: string) => say('{colour} comes from', { colour }),
  place: (place: number, spool: { readonly material: string; readonly colourName: string } | null) =>
    spool
      ? say('Place {place}: {material}, {colour}', {
          place: place + 1,
          material: spool.material,
          colour: spool.colourName,
        })
      : say('Place {place}: no spool', { place: place + 1 }),
  changedByItself: 'The printer changes between them by itself.',
  changedByHand: (stops: number) =>
    say(
      '{stops, plural, one {It stops once} other {It stops # times}} for you to change the spool, where two colours come from one place.',
      { stops },
    ),
  cancel: 'Not yet',
  go: 'Start printing',
  layer: (index: number, of: number, height: string) =>
    say('layer {index} of {of}, {height} mm', { index, of, height }),
  minute: (minute: number, of: number) => say('Minute {minute} of {of}', { minute, of }),
  minutes: 'Minute of the print',
  ownOf: (student: string) => say('Only the part of {student}', { student }),
  ownWhy: 'What is left empty is as for the batch.',
  asBatch: 'as the batch',
  allAsBatch: 'Print it as the batch',
  printedOtherwise: 'Printed otherwise:',
  height: 'Height of the layer',
  heightHow: 'Drag to the height that you want to see',
  warming: 'warming up',
  watchIt: 'Watch it grow',
  stop: 'Stop',
  outcomeTitle: 'How it came out',
  outcomes,
  outcome: (student: string) => say('Outcome of {student}’s part', { student }),
  note: 'Note',
  noteHint: 'what you saw',
  measured: 'measured',
  measuredOf: (student: string) => say('Measured sizes of {student}’s part, mm', { student }),
  measuredWas: (measured: string, designed: string | undefined) =>
    designed
      ? say('measured {measured} mm, designed {designed}', { measured, designed })
      : say('measured {measured} mm', { measured }),
  photo: 'Add a photo',
  photoOf: (student: string) => say('Photo of {student}’s part', { student }),
  next: 'What happens next',
  nexts: {
    again: 'print it again',
    student: 'back to the student, with the note',
    teacher: 'hold it, and ask the teacher',
  } satisfies Record<AfterFailure, string>,
  tapWrong: 'Tap the parts that are not good. All the others are noted as good.',
  notGood: 'not good',
  wrongWith: (student: string) => say('{student}’s part is not good', { student }),
  copy: (copy: number) => say('copy {copy}', { copy }),
  more: 'Note more',
  moreOf: (student: string) => say('Note more of {student}’s part', { student }),
  allGood: (parts: number) => say('{parts, plural, one {It is good} other {All # are good}}', { parts }),
  saveAll: (good: number, bad: number) => say('Save: {good} good, {bad} not good', { good, bad }),
  hasSupports: 'Its supports have to be broken off.',
  supportsOff: 'They are off',
  supportsOffOf: (student: string) => say('The supports of {student}’s part are off', { student }),
  handOut: 'Handed out',
  handOutOf: (student: string) => say('{student}’s part is handed out', { student }),
  handOutAll: (parts: number) => say('All {parts} are handed out', { parts }),
  handedOutAt: (time: string) => say('handed out {time}', { time }),
  somebody: 'somebody',
  corrected: (
    outcome: string,
    note: string,
    by: string,
    at: string,
    correctedBy: string,
    correctedAt: string,
  ) =>
    note === ''
      ? say('Before: {outcome} ({by}, {at}); changed by {correctedBy}, {correctedAt}', {
          outcome,
          by,
          at,
          correctedBy,
          correctedAt,
        })
      : say('Before: {outcome}, “{note}” ({by}, {at}); changed by {correctedBy}, {correctedAt}', {
          outcome,
          note,
          by,
          at,
          correctedBy,
          correctedAt,
        }),
  write: 'Save the outcome',
  change: 'Change it',
  changeOf: (student: string) => say('Change it: the outcome of {student}’s part', { student }),
  oneMore: 'Print one more',
  choose: 'choose',
  tries: 'Earlier tries',
  sheetTitle: (number: number) => say('Batch {number}: whose is what', { number }),
  sheetWhat: 'The plate seen from above, its front at the bottom.',
  print: 'Print this page',
} as const);
