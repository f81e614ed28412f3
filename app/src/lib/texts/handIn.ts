/** What is said on the bench about handing in. */
export const handInTexts = {
  open: 'Hand in',
  checking: 'checking …',
  openAgain: 'Hand in a new version',
  title: 'Hand in this design?',
  goOn: 'Go on designing',
  next: (part: string) =>
    `“${part}” is frozen as it stands, the server inspects it once more, and your teacher looks at it. Until then you can take it back.`,
  replaces: 'If it is approved, it takes the place of the version that waits in the queue.',
  fails: 'Something fails. Mend it, or say for each why it has to be so; your teacher decides.',
  why: (check: string) => `Why “${check}” has to be so`,
  because: 'I want this because …',
  note: 'A note to your teacher, if you like',
  mustArgue: 'Say for each of these why it has to be so, or go on designing and mend it.',
  unsaved: 'Your last edits are not saved yet: try again in a moment.',
  withdraw: 'Take it back',
  isSeen: 'Your teacher is looking at it.',
  sentBack: 'Sent back:',
  toMend: 'Your teacher wrote remarks at your design:',
  approvedWith: 'Approved, with a waiver:',
} as const;
