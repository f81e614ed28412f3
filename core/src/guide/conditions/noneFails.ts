import * as z from 'zod';
import { text } from '../../recipe/index.ts';
import type { ConditionKind } from './conditionKind.ts';
import { say } from '../../words/index.ts';

export const schema = z.strictObject({ kind: z.literal('noneFails') });

/** A part that no check of the inspection fails. */
export const noneFails: ConditionKind<z.infer<typeof schema>> = {
  kind: 'noneFails',
  get label() {
    return say('the whole inspection');
  },
  create: () => ({ kind: 'noneFails' }),
  sentence: () => [text('no check fails')],
  holds: (_, { recipe, inspection }) =>
    recipe.steps.length > 0 && inspection !== undefined && inspection.verdict !== 'fail',
};
