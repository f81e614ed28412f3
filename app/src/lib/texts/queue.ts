import { inHours } from '@kelbrin/core/inspect';

/** What the queue says. */
export const queueTexts = {
  title: 'Queue',
  waiting: (count: number, seconds: number, grams: number) =>
    `${count} waiting, about ${inHours(seconds)} and ${grams.toFixed(1)} g`,
  part: 'Part',
  student: 'Student',
  class: 'Class',
  takes: 'Time and filament',
  startOn: 'Start on',
  copy: (copy: number, copies: number) => `copy ${copy} of ${copies}`,
  printOn: (student: string, printer: string) => `Print ${student}’s part on ${printer}`,
  noneFree: 'no printer is free',
  nothing: 'Nothing waits. Approved parts appear here on their own.',
  choose: (student: string, copy: number) => `Choose ${student}’s part${copy > 1 ? `, copy ${copy}` : ''}`,
  chooseAll: 'Choose all',
  lay: (count: number) => (count === 0 ? 'Put parts' : count === 1 ? 'Put one part' : `Put ${count} parts`),
  chooseFirst: 'Choose parts to print them together.',
  onBatch: 'in',
  newBatch: 'a new batch',
  batch: (number: number) => `batch ${number}`,
  batches: 'Batches',
  batchTakes: (seconds: number, grams: number) => `${inHours(seconds)}, ${grams.toFixed(1)} g`,
  open: 'Open',
  isPrinting: 'printing',
  proposed: 'Proposed',
  rules:
    'First what is due first. Every student gets one part before anyone gets a second. One material in a batch. It ends before the next bell, or runs overnight.',
  proposal: (count: number, printer: string) =>
    `${count === 1 ? 'One part' : `${count} parts`} on ${printer}`,
  proposalTakes: (seconds: number, grams: number, done: string) =>
    `${inHours(seconds)}, ${grams.toFixed(1)} g, ends at ${done}`,
  beforeBell: (bell: string) => `before the bell at ${bell}`,
  overnight: (morning: string) => `overnight, ready before ${morning}`,
  saves: (starts: number, seconds: number) =>
    `Saves ${starts === 1 ? 'one start' : `${starts} starts`} and about ${inHours(seconds)} compared with printing one by one.`,
  layProposal: 'Make this batch',
  due: 'Due',
  move: (student: string) => `Move ${student}’s part: drag it, or press the arrow keys up and down`,
  byHand: 'Somebody changed the order by hand.',
  byRules: 'Use the rules again',
  drop: 'Take out',
  dropped: 'Taken out',
  putBack: 'Put back',
  hold: 'Hold',
  release: 'Release',
  isHeld: 'on hold',
} as const;
