/** What the library of briefs says. */
export const libraryTexts = {
  title: 'Library of briefs',
  what: 'Briefs that you keep, to be set again for any class: each as it was when you kept it.',
  back: 'Classes',
  none: 'You keep no brief yet: open one and choose “Keep in the library”.',
  kept: (day: string) => `kept on ${day}`,
  asks: (requirements: number, prompts: number) =>
    [
      requirements === 1 ? 'one requirement' : `${requirements} requirements`,
      prompts === 1 ? 'one prompt' : `${prompts} prompts`,
    ].join(', '),
  forClass: 'For',
  set: 'Set it',
  setFor: (title: string) => `Set “${title}” for`,
  drop: 'Take out',
  dropIt: (title: string) => `Take “${title}” out of the library`,
} as const;
