import { said, say } from '@kelbrin/core/words';

/** What is said about links to a version. */
export const sharingTexts = said({
  title: (student: string, brief: string) => `${student}: ${brief}`,
  version: (part: string, number: number) => say('{part}, version {number}', { part, number }),
  until: (day: string) => say('This link works until {day}.', { day }),
  recipe: 'Recipe',
  solid: 'Solid',
  share: 'Share a link',
  make: 'Make the link',
  days: (count: number) => say('{count, plural, one {for a day} other {for # days}}', { count }),
  howLong: 'How long the link works',
  links: 'Links that work now',
  what: 'Whoever has a link sees this version, and nothing else of yours.',
  line: (version: number, day: string) => say('version {version}, until {day}', { version, day }),
  copy: 'Copy',
  copied: 'Copied.',
  takeBack: 'End the link',
} as const);
