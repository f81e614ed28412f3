import { said, say } from '@kelbrin/core/words';

/** What the page of a brief's teams says. */
export const teamTexts = said({
  title: 'Teams',
  of: (brief: string, className: string) => `${brief}, ${className}`,
  back: 'Class',
  what: 'A team works on one project and hands it in together. What a student has already begun alone becomes a part of the team’s project.',
  none: 'Everybody works alone.',
  takeOut: (student: string) => say('Take {student} out', { student }),
  takeOutWhat: 'goes on alone from a copy of what the team has',
  add: (names: string) => say('Add to {names}', { names }),
  alone: 'Who works alone',
  hasBegun: 'has begun',
  make: 'Make a team of these students',
  nobodyAlone: 'Everybody is in a team.',
} as const);
