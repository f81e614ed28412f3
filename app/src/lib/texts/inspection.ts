/** What is said around an inspection; what checks find is said by the checks. */
export const inspectionTexts = {
  title: 'Inspection',
  at: (check: string, at: number, of: number) => `${check}, ${at} of ${of} …`,
  checking: 'checking …',
  ofBefore: 'of the shape before',
  nothingYet: 'The inspection begins with the first shape.',
  places: (count: number) => `${count} places`,
  ways: 'Ways to mend it',
  nothingFails: 'nothing fails then',
  better: 'better:',
  worse: 'worse:',
  trying: 'trying changes …',
  noRemedy: 'No single change was found that mends it.',
} as const;
