import type { ProjectState } from '../server/projects/projects.ts';

/** What a student's home says. */
export const homeTexts = {
  title: 'My projects',
  team: (names: string) => `a team: ${names}`,
  notBegun: 'not begun',
  picture: 'Your part as it stands',
  due: (day: string) => `due ${day}`,
  open: 'Open the bench',
  begin: 'Begin',
  none: 'There is no brief for your class yet.',
  remarks: (count: number) =>
    count === 1
      ? 'There is a remark at your design: read it on the bench.'
      : `There are ${count} remarks at your design: read them on the bench.`,
  cameOut: (outcome: string, note: string) => `The print: ${outcome}.${note ? ` ${note}` : ''}`,
  asksForHelp: 'You asked for help.',
  next: {
    designing: 'Go on designing, then hand it in.',
    checking: 'It is being checked.',
    waiting: 'Your teacher will look at it.',
    sent_back: 'Read what to change, and hand it in again.',
    approved: 'It waits for a printer.',
    printing: 'It is on the printer now.',
    printed: 'Fetch it from the print room.',
  } satisfies Record<ProjectState, string>,
} as const;
