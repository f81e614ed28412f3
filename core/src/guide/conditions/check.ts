import * as z from 'zod';
import { checks } from '../../inspect/index.ts';
import { oneOf, text } from '../../recipe/index.ts';
import type { ConditionKind } from './conditionKind.ts';
import { say } from '../../words/index.ts';

export const schema = z.strictObject({
  kind: z.literal('check'),
  check: z
    .string()
    .refine((id) => checks.some((check) => check.id === id), { error: () => say('there is no such check') }),
});
type CheckCondition = z.infer<typeof schema>;

/** One check that found nothing that fails. */
export const check: ConditionKind<CheckCondition> = {
  kind: 'check',
  get label() {
    return say('a check');
  },
  create: () => ({ kind: 'check', check: 'hole' }),
  sentence: ({ check: id }) => [
    text('the check'),
    oneOf(
      ['check'],
      'which check',
      id,
      Object.fromEntries(checks.map((each) => [each.id, `“${each.title}”`])),
    ),
    text('does not fail'),
  ],
  holds({ check: id }, { recipe, inspection }) {
    const result = inspection?.checks.find((each) => each.id === id);
    return recipe.steps.length > 0 && result !== undefined && result.verdict !== 'fail';
  },
};
