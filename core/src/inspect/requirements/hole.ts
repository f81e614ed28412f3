import * as z from 'zod';
import { formatMeasured, millimetres, oneOf, text } from '../../recipe/index.ts';
import { findRoundHoles } from '../measure/roundHoles.ts';
import { rounded } from '../measure/subject.ts';
import { judge } from '../result/verdict.ts';
import type { RequirementKind } from './requirementKind.ts';
import { say } from '../../words/index.ts';

export const schema = z.strictObject({
  kind: z.literal('hole'),
  reach: z.enum(['through', 'any']),
  atLeastMm: z.number().min(0.1).max(500),
});
type Hole = z.infer<typeof schema>;

/** A round hole that is wide enough, as it was designed. */
export const hole: RequirementKind<Hole> = {
  kind: 'hole',
  get label() {
    return say('A hole');
  },
  create: () => ({ kind: 'hole', reach: 'through', atLeastMm: 4 }),
  sentence: ({ reach, atLeastMm }) => [
    text('has'),
    oneOf(['reach'], 'which hole', reach, {
      through: 'a hole that goes right through,',
      any: 'a hole,',
    }),
    text('at least'),
    millimetres(['atLeastMm'], atLeastMm, 'diameter', { sign: 'Ø', max: 500 }),
    text('wide'),
  ],
  ofPart({ reach, atLeastMm }, subject) {
    const fitting = findRoundHoles(subject).filter(({ through }) => through || reach === 'any');
    const [widest] = fitting.sort((a, b) => b.diameterMm - a.diameterMm);
    if (!widest) return { isMet: false, measured: 0, unit: 'mm', said: say('there is none') };
    return {
      isMet: judge(widest.diameterMm, 'atLeast', atLeastMm) !== 'fail',
      measured: rounded(widest.diameterMm),
      limit: atLeastMm,
      unit: 'mm',
      said: say('the widest is Ø {diameterMm} mm', { diameterMm: formatMeasured(widest.diameterMm) }),
      at: widest.middle,
      triangles: widest.triangles,
    };
  },
};
