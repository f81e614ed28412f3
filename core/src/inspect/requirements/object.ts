import * as z from 'zod';
import {
  fit,
  formatMeasured,
  millimetres,
  oneOf,
  text,
  type Fit,
  type PrinterTraits,
} from '../../recipe/index.ts';
import { findRoundHoles } from '../measure/roundHoles.ts';
import { rounded } from '../measure/subject.ts';
import type { RequirementKind } from './requirementKind.ts';
import { say } from '../../words/index.ts';

export const schema = z.strictObject({
  kind: z.literal('object'),
  acrossMm: z.number().min(0.5).max(500),
  fit,
});
type FittedObject = z.infer<typeof schema>;

/** A clip holds what it reaches around by more than half. */
const HOLDS_DEG = 200;
/** Play that is looser than loose by more than this holds nothing any more, mm. */
const MORE_PLAY_MM = 0.4;

/** A round hole, or a clip, that holds an object of a diameter as it comes out of the printer. */
export const object: RequirementKind<FittedObject> = {
  kind: 'object',
  get label() {
    return say('An object that it holds');
  },
  create: () => ({ kind: 'object', acrossMm: 8, fit: 'sliding' }),
  sentence: ({ acrossMm, fit: how }) => [
    text('holds an object of'),
    millimetres(['acrossMm'], acrossMm, 'diameter of the object', { sign: 'Ø', min: 0.5, max: 500 }),
    text(','),
    oneOf(['fit'], 'how tightly', how, { loose: 'loose', sliding: 'sliding', snug: 'snug', press: 'press' }),
  ],
  ofPart({ acrossMm, fit: how }, subject, limits) {
    const wished = limits.fitAllowanceMm[how];
    const holes = findRoundHoles(subject, HOLDS_DEG).map((hole) => ({
      ...hole,
      playMm: hole.diameterMm * (1 - limits.shrinkagePercent / 100) - acrossMm,
    }));
    const [nearest] = holes.sort((a, b) => Math.abs(a.playMm - wished) - Math.abs(b.playMm - wished));
    if (!nearest)
      return { isMet: false, measured: 0, unit: 'mm', said: say('there is nothing round to put it into') };
    const comes = fitOf(nearest.playMm, limits);
    const printedMm = nearest.playMm + acrossMm;
    const is = say('the hole nearest to it comes out at Ø {printedMm} mm', {
      printedMm: formatMeasured(printedMm),
    });
    return {
      isMet: comes === how,
      measured: rounded(printedMm),
      limit: rounded(acrossMm + wished),
      unit: 'mm',
      said: `${is}, ${comes === 'tight' ? say('too tight') : comes === 'wide' ? say('too wide') : say('which is {fit}', { fit: say(comes) })}`,
      at: nearest.middle,
      triangles: nearest.triangles,
    };
  },
};

/** The fit whose allowance is nearest to a play, if it is any. */
function fitOf(playMm: number, { fitAllowanceMm }: PrinterTraits): Fit | 'tight' | 'wide' {
  const fits = fit.options.map((name) => ({ name, mm: fitAllowanceMm[name] })).sort((a, b) => a.mm - b.mm);
  const [tightest, next] = fits;
  if (playMm < tightest.mm - Math.max(0.05, (next.mm - tightest.mm) / 2)) return 'tight';
  if (playMm > fits.at(-1)!.mm + MORE_PLAY_MM) return 'wide';
  return fits.reduce((a, b) => (Math.abs(b.mm - playMm) < Math.abs(a.mm - playMm) ? b : a)).name;
}
