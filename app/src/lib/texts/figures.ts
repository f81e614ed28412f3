import { said, say } from '@kelbrin/core/words';

/** What the page of a class's figures says. */
export const figuresTexts = said({
  title: 'Figures',
  of: (className: string) => say('{className}: figures', { className }),
  back: 'Class',
  brief: 'Brief',
  noBrief: 'There is no brief for this class yet.',
  progress: 'How far the class has come, day by day',
  progressOf: (day: string, begun: number, approved: number) =>
    say('By {day} {begun} had begun and {approved} were approved.', { day, begun, approved }),
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
  projects: (count: number) => say('{count, plural, one {one project} other {# projects}}', { count }),
  notMended: 'not mended yet',
  grams: 'Filament printed for each class, in grams',
  noGrams: 'Nothing was printed yet.',
  lasted: (minutes: number) =>
    minutes < 1
      ? say('a minute')
      : minutes < 90
        ? say('{minutes} min', { minutes: Math.round(minutes) })
        : minutes < 36 * 60
          ? say('{minutes} hours', { minutes: Math.round(minutes / 60) })
          : say('{minutes} days', { minutes: Math.round(minutes / 60 / 24) }),
} as const);
