import type { EdgeName } from '../edges/index.ts';
import { say } from '../words/index.ts';
import { stepWords, type FieldPath, type NamedStep } from './sentence.ts';
import { sentenceOf, sideWords, type OfferedEdge, type Step } from './steps/index.ts';

/** What changes when an edge is tapped that a step offers; nothing for a step that lets no edges be chosen. */
export function edgeTapped(
  step: Step,
  offered: readonly OfferedEdge[],
  at: number,
): { readonly path: FieldPath; readonly value: unknown } | undefined {
  const tokens = sentenceOf(step, { recipe: { steps: [step], measures: [] }, index: 0 });
  const token = tokens.find(({ type }) => type === 'edges');
  if (token?.type !== 'edges') return undefined;
  const { name } = offered[at];
  // Those that are gone are let go. What was tapped since the edges were offered stays.
  const there = token.chosen.filter((each) =>
    isNamed(
      offered.map((edge) => edge.name),
      each,
    ),
  );
  const chosen = isNamed(there, name) ? there.filter((each) => !isNamed([name], each)) : [...there, name];
  return { path: token.path, value: { chosen } };
}

/** Whether one of some names is this one, word for word. */
export function isNamed(names: readonly EdgeName[], name: EdgeName): boolean {
  const words = JSON.stringify(name);
  return names.some((each) => JSON.stringify(each) === words);
}

/** An edge in words: "step 1: its top and its front", or "its top (step 1) and its left side (step 2)". */
export function edgeNameWords({ steps: [one, other], looks }: EdgeName, steps: readonly NamedStep[]): string {
  const called = (id: string) => {
    const index = steps.findIndex((step) => step.id === id);
    return index < 0 ? say('a step that is gone') : stepWords(steps, index);
  };
  const [first, second] = looks.map(lookWords);
  if (one === other) return say('{step}: {first} and {second}', { step: called(one), first, second });
  return say('{first} ({step}) and {second} ({other})', {
    first,
    second,
    step: called(one),
    other: called(other),
  });
}

function lookWords(look: EdgeName['looks'][0]): string {
  if (look.every((part) => part === 0)) return say('its round side');
  return sideWords(look) ?? say('a slanting side');
}
