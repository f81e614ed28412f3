import * as z from 'zod';
import { formatNumber, text } from '../../recipe/index.ts';
import { sharpOuterEdges } from '../measure/corners.ts';
import { middleOf } from '../measure/subject.ts';
import type { RequirementKind } from './requirementKind.ts';
import { say } from '../../words/index.ts';

export const schema = z.strictObject({ kind: z.literal('rounded') });

/** Less of a sharp edge is rounding, mm. */
const LEAST_MM = 1;

/** Nothing sharp where a hand closes around the part; the edges on the plate have to be sharp, or they would hang. */
export const roundedEdges: RequirementKind<z.infer<typeof schema>> = {
  kind: 'rounded',
  get label() {
    return say('Rounded edges');
  },
  create: () => ({ kind: 'rounded' }),
  sentence: () => [text('has no sharp outer edge, except where it lies on the plate')],
  ofPart(_, subject) {
    const sharp = sharpOuterEdges(subject);
    const isMet = sharp.mm < LEAST_MM;
    return {
      isMet,
      measured: Math.round(sharp.mm),
      unit: 'mm',
      said: isMet ? undefined : say('{mm} mm of them are sharp', { mm: formatNumber(Math.round(sharp.mm)) }),
      at: sharp.faces.length > 0 ? middleOf(subject, sharp.faces[0]) : undefined,
      triangles: sharp.faces,
    };
  },
};
