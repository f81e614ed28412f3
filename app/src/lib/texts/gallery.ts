import { said, say } from '@kelbrin/core/words';

/** What a class's gallery says. */
export const galleryTexts = said({
  title: 'Gallery',
  of: (className: string) => say('Gallery of {className}', { className }),
  what: 'What the class has made: every design that was approved.',
  closed: 'It is closed: nobody but you sees it.',
  open: 'Open it to the class',
  close: 'Close it',
  none: 'No design was approved yet.',
  by: (student: string, brief: string) => say('{brief}, by {student}', { brief, student }),
  look: (student: string) => say('Look at {student}’s part', { student }),
  back: 'Gallery',
  visit: (className: string) => say('See what {className} has made', { className }),
} as const);
