import * as z from 'zod';
import { text } from '../../recipe/index.ts';
import { inHours } from '../result/inWords.ts';
import { rounded } from '../measure/subject.ts';
import { judge } from '../result/verdict.ts';
import type { RequirementKind } from './requirementKind.ts';
import { say } from '../../words/index.ts';

export const schema = z.strictObject({ kind: z.literal('minutes'), within: z.number().min(1).max(2880) });
type Minutes = z.infer<typeof schema>;

/** The longest that the print may take. */
export const minutes: RequirementKind<Minutes> = {
  kind: 'minutes',
  get label() {
    return say('Most time');
  },
  create: () => ({ kind: 'minutes', within: 40 }),
  sentence: ({ within }) => [
    text('prints within'),
    {
      type: 'number',
      path: ['within'],
      value: within,
      label: say('minutes of printing'),
      unit: 'min',
      min: 1,
      max: 2880,
      nudge: 1,
    },
  ],
  ofPrint: ({ within }, { minutes: m }) => ({
    isMet: judge(m, 'atMost', within) !== 'fail',
    measured: rounded(m),
    limit: within,
    unit: 'min',
    said: say('it takes {m}', { m: inHours(60 * m) }),
  }),
};
