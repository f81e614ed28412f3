import { said, say } from '@kelbrin/core/words';

/** What the dialog of a project's versions says. */
export const versionTexts = said({
  title: 'Versions',
  keepNow: 'Keep the project as it is now',
  example: 'before I make it thinner',
  keep: 'Keep',
  short: (number: number) => say('version {number}', { number }),
  unsaved: 'Your last edits are not saved yet: try again in a moment.',
  notFetched: 'That version cannot be fetched just now: try again in a moment.',
  changes: 'What changed',
  goBack: 'Go back to it',
  remove: 'Delete',
  removeTitle: (name: string) => say('Delete “{name}”?', { name }),
  removeWhat: 'It cannot be brought back, and links to it stop working. The project itself stays as it is.',
  between: 'Compare this version with',
  here: 'the project now',
  same: 'Nothing is different.',
  comparing: 'Comparing …',
  none: 'No version is kept yet. Every hand-in becomes one, and you can keep one before a bold change.',
} as const);
