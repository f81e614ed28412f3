/** What the page of a class's log says. */
export const logTexts = {
  title: 'Log',
  of: (className: string) => `${className}: log`,
  what: 'Who did what to hand-ins, approvals, briefs, cards and people of this class.',
  back: 'Class',
  columns: ['When', 'Who', 'Did', 'About'],
  nothing: 'Nothing was done yet.',
  gone: 'somebody who was deleted',
  older: 'Older',
} as const;
