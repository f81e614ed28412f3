import * as z from 'zod';
import { formatNumber, text } from '../../recipe/index.ts';
import { rounded } from '../measure/subject.ts';
import { judge } from '../result/verdict.ts';
import type { RequirementKind } from './requirementKind.ts';
import { say } from '../../words/index.ts';

export const schema = z.strictObject({ kind: z.literal('grams'), atMostG: z.number().min(0.1).max(2000) });
type Grams = z.infer<typeof schema>;

/** The most filament that the print may take. */
export const grams: RequirementKind<Grams> = {
  kind: 'grams',
  get label() {
    return say('Most filament');
  },
  create: () => ({ kind: 'grams', atMostG: 12 }),
  sentence: ({ atMostG }) => [
    text('takes at most'),
    {
      type: 'number',
      path: ['atMostG'],
      value: atMostG,
      label: say('grams of filament'),
      unit: 'g',
      min: 0.1,
      max: 2000,
      nudge: 1,
    },
  ],
  ofPrint: ({ atMostG }, { grams: g }) => ({
    isMet: judge(g, 'atMost', atMostG) !== 'fail',
    measured: rounded(g),
    limit: atMostG,
    unit: 'g',
    said: say('it takes {g} g', { g: formatNumber(Math.round(10 * g) / 10) }),
  }),
};
