import { said, say } from '@kelbrin/core/words';

/** What the library of briefs says. */
export const libraryTexts = said({
  title: 'Library of briefs',
  what: 'Briefs that you keep and can use again in any class, as they were when you kept them.',
  back: 'Classes',
  none: 'You keep no brief yet: open one and choose “Keep in the library”.',
  kept: (day: string) => say('kept on {day}', { day }),
  asks: (requirements: number, prompts: number) =>
    [
      say('{requirements, plural, one {one requirement} other {# requirements}}', { requirements }),
      say('{prompts, plural, one {one prompt} other {# prompts}}', { prompts }),
    ].join(', '),
  forClass: 'For',
  set: 'Use it',
  setFor: (title: string) => say('Use “{title}” for', { title }),
  drop: 'Take out',
  dropIt: (title: string) => say('Take “{title}” out of the library', { title }),
} as const);
