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
  others: 'On a printer, or done',
} as const;
