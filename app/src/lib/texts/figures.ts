/** What the page of a class's figures says. */
export const figuresTexts = {
  title: 'Figures',
  of: (className: string) => `${className}: figures`,
  back: 'Class',
  brief: 'Brief',
  noBrief: 'There is no brief for this class yet.',
  progress: 'How far the class has come, day by day',
  progressOf: (day: string, begun: number, approved: number) =>
    `By ${day} ${begun} had begun and ${approved} were approved.`,
  begun: 'begun',
  handedIn: 'handed in',
  approved: 'approved',
  printed: 'printed',
  nobody: 'Nobody has begun it yet.',
  checks: 'Which checks fail, and how long until they are mended',
  checksWhat: 'How many projects failed each check at some time.',
  noChecks: 'No check has failed yet.',
  check: 'Check',
  failedIn: 'Failed in',
  failsStill: 'Still fails in',
  mended: 'Usually mended after',
  projects: (count: number) => (count === 1 ? 'one project' : `${count} projects`),
  notMended: 'not mended yet',
  grams: 'Filament printed for each class, in grams',
  noGrams: 'Nothing was printed yet.',
  lasted: (minutes: number) =>
    minutes < 1
      ? 'a minute'
      : minutes < 90
        ? `${Math.round(minutes)} min`
        : minutes < 36 * 60
          ? `${Math.round(minutes / 60)} hours`
          : `${Math.round(minutes / 60 / 24)} days`,
} as const;
