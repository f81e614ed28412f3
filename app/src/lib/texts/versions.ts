/** What the dialog of a project's versions says. */
export const versionTexts = {
  title: 'Versions',
  keepNow: 'Keep the project as it is now',
  example: 'before I make it thinner',
  keep: 'Keep',
  changes: 'What changed',
  goBack: 'Go back to it',
  remove: 'Delete',
  removeTitle: (name: string) => `Delete “${name}”?`,
  removeWhat: 'It cannot be brought back, and links to it stop working. The project itself stays as it is.',
  between: 'Compare this version with',
  here: 'the project now',
  same: 'Nothing is different.',
  comparing: 'Comparing …',
  none: 'No version is kept yet. Every hand-in becomes one, and you can keep one before a bold change.',
} as const;
