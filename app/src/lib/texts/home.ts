import { said, say } from '@kelbrin/core/words';
import type { ProjectState } from '../server/projects/projects.ts';

/** What a student's home says. */
export const homeTexts = said({
  title: 'My projects',
  team: (names: string) => say('a team: {names}', { names }),
  notBegun: 'not begun',
  picture: 'Your part as it stands',
  due: (day: string) => say('due {day}', { day }),
  open: 'Open the bench',
  begin: 'Begin',
  none: 'There is no brief for your class yet.',
  remarks: (count: number) =>
    say(
      '{count, plural, one {Your teacher wrote a remark on your design. Read it on the bench.} other {Your teacher wrote # remarks on your design. Read them on the bench.}}',
      { count },
    ),
  cameOut: (outcome: string, note: string) =>
    say('How the print came out: {outcome}.{note}', { outcome, note: note ? ` ${note}` : '' }),
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
} as const);
