import { said, say } from '@kelbrin/core/words';

/** What the page of a class's log says. */
export const logTexts = said({
  title: 'Log',
  of: (className: string) => say('{className}: log', { className }),
  what: 'Who did what to hand-ins, approvals, briefs, cards and people of this class.',
  back: 'Class',
  columns: ['When', 'Who', 'What', 'About'],
  nothing: 'Nothing has happened yet.',
  gone: 'somebody who was deleted',
  older: 'Older',
  schoolTitle: 'School log',
  schoolWhat:
    'Who did what in the print room, to limits cards, and at the door. What belongs to a class is in its own log.',
  withSignIns: 'Show sign-ins',
  withoutSignIns: 'Hide sign-ins',
} as const);
