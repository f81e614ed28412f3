/** What the dialog of a project's versions says. */
export const versionTexts = {
  title: 'Versions',
  keepNow: 'Keep the project as it is now',
  example: 'before I make it thinner',
  keep: 'Keep',
  changes: 'What changed',
  goBack: 'Go back to it',
  between: 'Between this version and',
  here: 'what is here now',
  same: 'Nothing is different.',
  comparing: 'Being compared …',
  none: 'No version is kept yet. Every hand-in becomes one, and you can keep one before a bold change.',
} as const;
