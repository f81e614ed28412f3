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
      ? 'Your teacher wrote a remark on your design. Read it on the bench.'
      : `Your teacher wrote ${count} remarks on your design. Read them on the bench.`,
  cameOut: (outcome: string, note: string) => `How the print came out: ${outcome}.${note ? ` ${note}` : ''}`,
  asksForHelp: 'You asked for help.',
  next: {
    designing: 'Finish your design, then hand it in.',
    checking: 'It is being checked.',
    waiting: 'Your teacher will look at it.',
    sent_back: 'Read what to change, and hand it in again.',
    approved: 'It waits for a printer.',
    printing: 'It is on the printer now.',
    printed: 'Fetch it from the print room.',
  } satisfies Record<ProjectState, string>,
} as const;
