import { said, say } from '@kelbrin/core/words';

/** What is said on the bench about handing in. */
export const handInTexts = said({
  open: 'Hand in',
  checking: 'checking …',
  openAgain: 'Hand in again',
  openInstead: 'Hand in again',
  title: 'Hand in this design?',
  goOn: 'Back to the bench',
  next: (part: string) =>
    say(
      '“{part}” is handed in exactly as it is now. Kelbrin checks it once more, then your teacher looks at it. You can take it back until your teacher opens it.',
      { part },
    ),
  replaces: 'If it is approved, it takes the place of the one that waits in the queue.',
  fails:
    'Something fails. Mend it, or write for each check why it should stay like this. Your teacher decides.',
  why: (check: string) => say('Why “{check}” should stay like this', { check }),
  because: 'I want this because …',
  note: 'A note to your teacher, if you like',
  mustArgue: 'Write for each of these why it should stay like this, or go back to the bench and mend it.',
  unsaved: 'Your last edits are not saved yet: try again in a moment.',
  withdraw: 'Take it back',
  isSeen: 'Your teacher is looking at it.',
  sentBack: (part: string) => say('“{part}” was sent back:', { part }),
  teacherHas: (part: string, when: string) =>
    say('Your teacher has “{part}” as it was at {when}.', { part, when }),
  hasApproved: (part: string, when: string) =>
    say('What was approved is “{part}” as it was at {when}.', { part, when }),
  since: 'Since then:',
  allChanges: 'All that changed',
  andMore: (count: number) => say('; and {count} more.', { count }),
  partGone: 'That part is gone from the bench.',
  otherChosen: 'Another part is chosen to be handed in now.',
  againInstead: 'Hand in again and the new state takes its place, or take it back.',
  againAsNew: 'Hand in again if this is to be printed instead.',
  waitForAnswer: 'Your teacher is looking at it: hand in again when it comes back.',
  replaced: 'It takes the place of what you handed in before.',
  toMend: 'your teacher wrote remarks.',
  showPart: 'Show it',
  approvedWith: 'Approved, though a check fails:',
} as const);
