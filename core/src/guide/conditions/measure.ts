import * as z from 'zod';
import { measureName, measuresUsedIn, oneOf, text } from '../../recipe/index.ts';
import type { ConditionKind } from './conditionKind.ts';
import { say } from '../../words/index.ts';

export const schema = z.strictObject({
  kind: z.literal('measure'),
  name: measureName,
  how: z.enum(['written', 'used']),
});
type MeasureCondition = z.infer<typeof schema>;

/** A measure of a certain name that is written down, or that a sentence uses as well. */
export const measure: ConditionKind<MeasureCondition> = {
  kind: 'measure',
  get label() {
    return say('a measure');
  },
  create: () => ({ kind: 'measure', name: 'cane', how: 'written' }),
  sentence: ({ name, how }) => [
    text('the measure'),
    {
      type: 'words',
      path: ['name'],
      value: name,
      label: say('name of the measure'),
      maxLength: 24,
      lines: false,
    },
    oneOf(['how'], 'what is done with it', how, {
      written: 'is written down',
      used: 'is used by a step',
    }),
  ],
  holds({ name, how }, { recipe }) {
    const isName = (other: string) => other.toLowerCase() === name.toLowerCase();
    const written = recipe.measures.find((each) => isName(each.name));
    if (!written || how === 'written') return written !== undefined;
    return measuresUsedIn(recipe.steps.filter(({ off }) => !off)).has(written.name);
  },
};
