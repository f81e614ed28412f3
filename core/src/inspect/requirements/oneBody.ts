import * as z from 'zod';
import { text } from '../../recipe/index.ts';
import { middleOf } from '../measure/subject.ts';
import type { RequirementKind } from './requirementKind.ts';
import { say } from '../../words/index.ts';

export const schema = z.strictObject({ kind: z.literal('oneBody') });

/** One piece that holds together. */
export const oneBody: RequirementKind<z.infer<typeof schema>> = {
  kind: 'oneBody',
  get label() {
    return say('One body');
  },
  create: () => ({ kind: 'oneBody' }),
  sentence: () => [text('is one body')],
  ofPart(_, subject) {
    const { bodies, bodyOf } = subject.topology;
    if (bodies <= 1) return { isMet: bodies === 1, measured: bodies, unit: '' };
    const sizes = new Uint32Array(bodies);
    for (const body of bodyOf) sizes[body]++;
    const main = sizes.indexOf(Math.max(...sizes));
    const apart: number[] = [];
    bodyOf.forEach((body, face) => body !== main && apart.push(face));
    return {
      isMet: false,
      measured: bodies,
      unit: '',
      said: say('there are {bodies}', { bodies }),
      at: middleOf(subject, apart[0]),
      triangles: apart,
    };
  },
};
