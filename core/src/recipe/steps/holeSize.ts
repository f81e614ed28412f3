import * as z from 'zod';
import { formatMeasured, formatNumber, length, type Amount, type Resolved } from '../amount.ts';
import { evaluateAmount, valuesOf } from '../measures.ts';
import { classroomPrinter, fit, fittedDiameter, type PrinterTraits } from '../printer.ts';
import { choice, millimetres, oneOf, text, type SentenceContext, type Token } from '../sentence.ts';
import { say } from '../../words/index.ts';
import { aside } from '../shortSentence.ts';

/** Clearance holes for metric screws, mm: fine, medium and coarse series of ISO 273:1979. */
export const clearanceMm = {
  M2: { close: 2.2, normal: 2.4, loose: 2.6 },
  'M2.5': { close: 2.7, normal: 2.9, loose: 3.1 },
  M3: { close: 3.2, normal: 3.4, loose: 3.6 },
  M4: { close: 4.3, normal: 4.5, loose: 4.8 },
  M5: { close: 5.3, normal: 5.5, loose: 5.8 },
  M6: { close: 6.4, normal: 6.6, loose: 7 },
  M8: { close: 8.4, normal: 9, loose: 10 },
} as const;
type Screw = keyof typeof clearanceMm;
const screws = Object.keys(clearanceMm) as [Screw, ...Screw[]];

/** How wide a hole is: as it says, for a screw, or for an object that fits into it. */
export const holeSize = z.discriminatedUnion('by', [
  z.strictObject({ by: z.literal('diameter'), mm: length(0.1, 500) }),
  z.strictObject({
    by: z.literal('screw'),
    screw: z.enum(screws),
    play: z.enum(['close', 'normal', 'loose']),
  }),
  /** For an object of a diameter: the fit's allowance and the printer's shrinkage are added. */
  z.strictObject({ by: z.literal('fit'), mm: length(0.1, 500), fit }),
]);
export type HoleSize = z.infer<typeof holeSize>;

/** The diameter that is drawn for a hole, mm. */
export function diameterOf(of: Resolved<HoleSize>, printer: PrinterTraits): number {
  switch (of.by) {
    case 'diameter':
      return of.mm;
    case 'screw':
      return clearanceMm[of.screw][of.play];
    case 'fit':
      return fittedDiameter(of.mm, of.fit, printer);
  }
}

/** The words that say how wide a hole is. */
export function sizeTokens(of: HoleSize, { recipe, printer = classroomPrinter }: SentenceContext): Token[] {
  const rough = roughly(of);
  const by = choice(
    ['size'],
    'sized by',
    [
      { label: 'of', value: { by: 'diameter', mm: rough } },
      { label: 'for a screw', value: { by: 'screw', screw: nearestScrew(rough), play: 'normal' } },
      { label: 'to fit an object of', value: { by: 'fit', mm: rough, fit: 'sliding' } },
    ],
    ({ value }) => (value as HoleSize).by === of.by,
  );
  if (of.by === 'screw') {
    const names = Object.fromEntries(screws.map((name) => [name, name])) as Record<Screw, string>;
    return [
      by,
      oneOf(['size', 'screw'], 'screw', of.screw, names),
      text(','),
      oneOf(['size', 'play'], 'play', of.play, {
        close: 'with little room',
        normal: 'with normal room',
        loose: 'with much room',
      }),
      ...aside(
        text(say('(Ø {clearanceMm} mm)', { clearanceMm: formatNumber(clearanceMm[of.screw][of.play]) })),
      ),
    ];
  }
  const diameter = millimetres(['size', 'mm'], of.mm, 'diameter', { sign: 'Ø', max: 500 });
  if (of.by === 'diameter') return [by, diameter];
  const fits = oneOf(['size', 'fit'], 'fit', of.fit, {
    loose: 'loosely',
    sliding: 'sliding',
    snug: 'snugly',
    press: 'pressed in',
  });
  return [by, diameter, text(','), fits, ...aside(text(addedWords(of.mm, of.fit, recipe.measures, printer)))];
}

/** What was added to an object's diameter, and why. */
function addedWords(
  mm: Amount,
  how: Resolved<Extract<HoleSize, { by: 'fit' }>>['fit'],
  measures: SentenceContext['recipe']['measures'],
  printer: PrinterTraits,
): string {
  const values = valuesOf(measures);
  const worth = evaluateAmount(mm, values.ok ? values.values : new Map());
  if (!worth.ok) return '';
  const drawn = fittedDiameter(worth.value, how, printer);
  const play = printer.fitAllowanceMm[how];
  const shrinkage = drawn - worth.value - play;
  return say('(drawn Ø {drawn} mm: {play} mm more for room, {shrinkage} mm for shrinking)', {
    drawn: formatMeasured(drawn),
    play: formatNumber(play),
    shrinkage: formatMeasured(shrinkage),
  });
}

/** A diameter that comes near, mm, where a formula or a screw says it. */
export function roughly(of: HoleSize): number {
  if (of.by === 'screw') return clearanceMm[of.screw].normal;
  return typeof of.mm === 'number' ? of.mm : 4;
}

function nearestScrew(mm: number): Screw {
  return screws.reduce((best, name) =>
    Math.abs(clearanceMm[name].normal - mm) < Math.abs(clearanceMm[best].normal - mm) ? name : best,
  );
}
