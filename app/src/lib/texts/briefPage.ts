import { said, say } from '@kelbrin/core/words';

/** What the page of a brief says. */
export const briefPage = said({
  back: 'Class',
  of: (className: string) => say('a brief for {className}', { className }),
  title: 'Title',
  task: 'The task, as students read it',
  dueOn: 'Due on',
  copies: 'Copies of each part',
  plainWords: 'The bench speaks in plain words, for young students (“raise” for “extrude”)',
  starter: 'Students begin with',
  noStarter: 'nothing: an empty plate',
  ownStarter: 'a recipe of its own',
  keep: 'Keep in the library',
  isKept: 'It is in your library now.',
  requirements: 'The part must …',
  requirementsWhat:
    'Each of these is checked while students design, and once more on the server when they hand in.',
  noRequirements: 'Nothing is asked that can be checked yet.',
  add: 'Add',
  leaveOut: (words: string) => say('Leave out: {words}', { words }),
  severalBodies: 'may be made of several pieces',
  mayBeHeld: 'may be held by supports while it is printed, where the limits card allows them',
  forSmallHands: 'is for small children: nothing sharp passes',
  save: 'Save',
  unsaved: 'Not saved yet.',
  leave: 'This brief is not saved yet. Leave without saving?',
  begun: (count: number) =>
    count === 0
      ? say('Nobody has begun it yet.')
      : say('{count, plural, one {One student has begun it.} other {# students have begun it.}}', { count }),
  copyTo: 'Copy for',
  copy: 'Copy',
  remove: 'Delete this brief',
  removeTitle: 'Delete this brief?',
  removeWhat: 'It cannot be brought back. To use it again, keep it in the library first.',
  saveAllTheSame: 'Save anyway',
  duePast: (day: string) => say('{day} is over. Is that the day that you mean?', { day }),
  notShown: 'Students do not see it before it is saved.',
  untitled: 'A new brief',
} as const);
