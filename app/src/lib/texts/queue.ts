/** What the queue says. */
export const queueTexts = {
  title: 'Queue',
  waiting: (count: number, minutes: number, grams: number) =>
    `${count} waiting, about ${minutes} min and ${grams.toFixed(1)} g`,
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
  lay: (count: number) => (count === 1 ? 'Lay one part' : `Lay ${count} parts`),
  chooseFirst: 'Choose parts to lay them together on a plate.',
  onPlate: 'on',
  newPlate: 'a new plate',
  plate: (number: number) => `plate ${number}`,
  plates: 'Plates',
  plateTakes: (minutes: number, grams: number) => `${minutes} min, ${grams.toFixed(1)} g`,
  open: 'Open',
  isPrinting: 'printing',
  proposed: 'Proposed',
  rules:
    'What is due first goes first; one part of each student before seconds; of one material; done before the next bell, or else overnight.',
  proposal: (count: number, printer: string) =>
    `${count === 1 ? 'One part' : `${count} parts`} on ${printer}`,
  proposalTakes: (minutes: number, grams: number, done: string) =>
    `${minutes} min, ${grams.toFixed(1)} g, done at ${done}`,
  beforeBell: (bell: string) => `before the bell at ${bell}`,
  overnight: (morning: string) => `overnight, before ${morning}`,
  saves: (starts: number, minutes: number) =>
    `Saves ${starts === 1 ? 'one start' : `${starts} starts`} and about ${minutes} min against one at a time.`,
  layProposal: 'Lay this plate',
  due: 'Due',
  hold: 'Hold back',
  release: 'Let go on',
  isHeld: 'held back',
} as const;
