import * as z from 'zod';
import { plainSentence, withWordedField, type FieldPath, type Token } from '../../recipe/index.ts';
import { check, schema as checkSchema } from './check.ts';
import type { ConditionKind, Progress } from './conditionKind.ts';
import { measure, schema as measureSchema } from './measure.ts';
import { noneFails, schema as noneFailsSchema } from './noneFails.ts';
import { schema as stepSchema, step } from './step.ts';

/** Something about recipe or inspection that ticks a prompt off. */
export const condition = z.discriminatedUnion('kind', [
  measureSchema,
  stepSchema,
  checkSchema,
  noneFailsSchema,
]);
export type Condition = z.infer<typeof condition>;

/** Every kind, in the order in which they are offered. */
export const conditionKinds = [measure, step, check, noneFails] as readonly ConditionKind<Condition>[];

const conditionKindOf = ({ kind }: Condition) => conditionKinds.find((each) => each.kind === kind)!;

/** A condition as the end of a sentence, whose words and numbers can be changed where they stand. */
export function conditionTokens(of: Condition): Token[] {
  return conditionKindOf(of).sentence(of);
}

/** A condition in plain words: "no check fails". */
export function conditionWords(of: Condition): string {
  return plainSentence(conditionTokens(of));
}

/** A condition with one of its fields put to another value, or one sentence that says what the value has to be. */
export function withConditionField(of: Condition, path: FieldPath, value: unknown) {
  return withWordedField<Condition>(condition, of, conditionTokens(of), path, value);
}

/** Whether a condition holds of a part as it is now. */
export function holds(of: Condition, progress: Progress): boolean {
  return conditionKindOf(of).holds(of, progress);
}

export type { Progress } from './conditionKind.ts';
