import type { FieldPath } from './sentence.ts';
import { sentenceOf, type Step } from './steps/index.ts';

/** A group of corners that were chosen one by one, in the sentence or on the plan. */
interface ChosenGroup {
  /** The keys that lead to which corners it means. */
  readonly path: FieldPath;
  readonly numbers: readonly number[];
}

/** The groups of a step whose corners are chosen one by one, in the order of its sentence. */
export function chosenCornersOf(step: Step): ChosenGroup[] {
  const tokens = sentenceOf(step, { recipe: { steps: [step], measures: [] }, index: 0 });
  return tokens.flatMap((token) =>
    token.type === 'corners' ? { path: token.path, numbers: token.chosen } : [],
  );
}

/**
 * What changes when a corner of an outline with so many is tapped: the group that has it loses it, or else the last of the
 * groups gains it. Nothing for a step that lets no corners be chosen.
 */
export function cornerTapped(
  step: Step,
  number: number,
  of: number,
): { readonly path: FieldPath; readonly value: unknown } | undefined {
  const groups = chosenCornersOf(step);
  const group = groups.find(({ numbers }) => numbers.includes(number)) ?? groups.at(-1);
  return group && { path: group.path, value: { numbers: toggled(group.numbers, number), of } };
}

/** The numbers with one more, or without it if it was there; in their order. */
export function toggled(numbers: readonly number[], number: number): number[] {
  if (numbers.includes(number)) return numbers.filter((each) => each !== number);
  return [...numbers, number].sort((a, b) => a - b);
}
