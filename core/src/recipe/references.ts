import type { FieldPath } from './sentence.ts';
import type { Step } from './steps/index.ts';

/** A place in a step where another step is named. */
export interface Reference {
  readonly id: string;
  readonly path: FieldPath;
}

/** The steps that a step names, wherever in it: data of the form `{ step: id }`. */
export function referencesOf(step: Step): Reference[] {
  const found: Reference[] = [];
  const walk = (data: unknown, path: FieldPath) => {
    if (typeof data !== 'object' || data === null) return;
    if (Array.isArray(data)) return data.forEach((each, i) => walk(each, [...path, i]));
    if ('step' in data && typeof data.step === 'string') found.push({ id: data.step, path });
    for (const [key, value] of Object.entries(data)) walk(value, [...path, key]);
  };
  walk(step, []);
  return found;
}

/** The names of the files that a recipe imports. */
export function filesIn(steps: readonly Step[]): string[] {
  const names = steps.flatMap((step) => (step.kind === 'import' && step.asset !== '' ? step.asset : []));
  return [...new Set(names)];
}
