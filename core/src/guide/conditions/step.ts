import * as z from 'zod';
import { isUnwritten, many, oneOf, step as anyStep, stepKinds, text, type Step } from '../../recipe/index.ts';
import type { ConditionKind } from './conditionKind.ts';
import { say } from '../../words/index.ts';

const kindsOfStep = anyStep.options.map(({ shape }) => shape.kind.value) as [Step['kind'], ...Step['kind'][]];

export const schema = z.strictObject({
  kind: z.literal('step'),
  step: z.enum(kindsOfStep),
  atLeast: z.number().int().min(1).max(20),
});
type StepCondition = z.infer<typeof schema>;

/** Enough steps of one kind, switched on; letters count once somebody has written words. */
export const step: ConditionKind<StepCondition> = {
  kind: 'step',
  get label() {
    return say('a step');
  },
  create: () => ({ kind: 'step', step: 'extrude', atLeast: 1 }),
  sentence: ({ step: kind, atLeast }) => [
    text('the recipe has at least'),
    many(['atLeast'], atLeast, 'how many', { max: 20 }),
    text(atLeast === 1 ? 'step' : 'steps'),
    oneOf(
      ['step'],
      'kind of step',
      kind,
      Object.fromEntries(stepKinds.map((each) => [each.kind, `“${each.label}”`])) as Record<
        Step['kind'],
        string
      >,
    ),
  ],
  holds: ({ step: kind, atLeast }, { recipe }) =>
    recipe.steps.filter((each) => each.kind === kind && !each.off && !isUnwritten(each)).length >= atLeast,
};
