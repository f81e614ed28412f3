import { inHours } from '@kelbrin/core/inspect';

/** What the queue says. */
export const queueTexts = {
  title: 'Queue',
  waiting: (count: number, seconds: number, grams: number) =>
    `${count} waiting, about ${inHours(seconds)} and ${grams.toFixed(1)} g`,
  part: 'Part',
  student: 'Student',
  class: 'Class',
  takes: 'Takes',
  printFile: 'Print file',
  startOn: 'Start on',
  copy: (copy: number, copies: number) => `copy ${copy} of ${copies}`,
  printOn: (student: string, printer: string) => `Print ${student}’s part on ${printer}`,
  noneFree: 'no printer is free',
  nothing: 'Nothing waits. Approved parts appear here by themselves.',
  choose: (student: string, copy: number) => `Choose ${student}’s part${copy > 1 ? `, copy ${copy}` : ''}`,
  chooseAll: 'Choose all',
  lay: (count: number) => (count === 0 ? 'Lay parts' : count === 1 ? 'Lay one part' : `Lay ${count} parts`),
  chooseFirst: 'Choose parts to lay them together on a batch.',
  onBatch: 'on',
  newBatch: 'a new batch',
  batch: (number: number) => `batch ${number}`,
  batches: 'Batches',
  batchTakes: (seconds: number, grams: number) => `${inHours(seconds)}, ${grams.toFixed(1)} g`,
  open: 'Open',
  isPrinting: 'printing',
  proposed: 'Proposed',
  rules:
    'What is due first goes first; one part of each student before seconds; of one material; done before the next bell, or else overnight.',
  proposal: (count: number, printer: string) =>
    `${count === 1 ? 'One part' : `${count} parts`} on ${printer}`,
  proposalTakes: (seconds: number, grams: number, done: string) =>
    `${inHours(seconds)}, ${grams.toFixed(1)} g, done at ${done}`,
  beforeBell: (bell: string) => `before the bell at ${bell}`,
  overnight: (morning: string) => `overnight, before ${morning}`,
  saves: (starts: number, seconds: number) =>
    `Saves ${starts === 1 ? 'one start' : `${starts} starts`} and about ${inHours(seconds)} against one at a time.`,
  layProposal: 'Lay this batch',
  due: 'Due',
  move: (student: string) => `Move ${student}’s part: drag it, or press the arrow keys up and down`,
  byHand: 'In the order that somebody gave it.',
  byRules: 'Back to the rules',
  drop: 'Take out',
  dropped: 'Taken out',
  putBack: 'Put back',
  hold: 'Hold back',
  release: 'Let go on',
  isHeld: 'held back',
} as const;
