import { said, say } from '@kelbrin/core/words';

/** What the print room's page of figures says. */
export const printFiguresTexts = said({
  title: 'How prints come out',
  back: 'Print room',
  link: 'Figures',
  none: 'No outcome has been noted yet. Open a printed batch and note how its parts came out.',
  byVerdict: 'Usable parts, by what the inspection said of them',
  byPrinter: 'Usable parts, by printer',
  verdicts: { pass: 'passed', warn: 'passed with warnings', fail: 'failed, and allowed' } as Record<
    string,
    string
  >,
  usable: 'usable',
  failed: 'failed',
  share: (name: string, usable: number, all: number) =>
    say('{name}: {usable} of {all}', { name, usable, all }),
  why: 'What failed, and how',
  parts: 'parts',
  noFailures: 'Nothing has failed.',
  worked: 'What the printers have done',
  printer: 'Printer',
  runs: 'Prints',
  finished: 'Finished',
  hours: 'Hours',
  grams: 'Grams',
  sizes: 'Measured sizes',
  offBy: (medianMm: number, count: number) =>
    say('{sign}{medianMm} mm, middle value of {count}', {
      sign: medianMm < 0 ? '−' : '+',
      medianMm: Math.abs(medianMm).toFixed(2),
      count,
    }),
} as const);
