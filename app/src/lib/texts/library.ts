/** What the library of briefs says. */
export const libraryTexts = {
  title: 'Library of briefs',
  what: 'Briefs that you keep and can use again in any class, as they were when you kept them.',
  back: 'Classes',
  none: 'You keep no brief yet: open one and choose “Keep in the library”.',
  kept: (day: string) => `kept on ${day}`,
  asks: (requirements: number, prompts: number) =>
    [
      requirements === 1 ? 'one requirement' : `${requirements} requirements`,
      prompts === 1 ? 'one prompt' : `${prompts} prompts`,
    ].join(', '),
  forClass: 'For',
  set: 'Use it',
  setFor: (title: string) => `Use “${title}” for`,
  drop: 'Take out',
  dropIt: (title: string) => `Take “${title}” out of the library`,
} as const;
