import { said, say } from '@kelbrin/core/words';

/** What is said around an inspection; what checks find is said by the checks. */
export const inspectionTexts = said({
  title: 'Inspection',
  at: (check: string, at: number, of: number) => say('{check}, {at} of {of} …', { check, at, of }),
  none: 'none',
  checking: 'checking …',
  ofBefore: 'of the shape before',
  nothingYet: 'The inspection begins with the first shape.',
  places: (count: number) => say('{count} places', { count }),
  ways: 'Ways to mend it',
  nothingFails: 'nothing fails then',
  better: 'better:',
  worse: 'worse:',
  trying: 'trying changes …',
  noRemedy: 'No single change was found that mends it.',
} as const);
