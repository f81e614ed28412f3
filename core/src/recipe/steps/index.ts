import * as z from 'zod';
import { extrude, extrudeSchema } from './extrude.ts';
import { hole, holeSchema } from './hole.ts';
import { letters, lettersSchema } from './letters.ts';
import type { SentenceContext, Token } from '../sentence.ts';
import type { BuildKit, Material, StepKind } from './stepKind.ts';

/** Any step. A new kind of step is a file in this folder and its two names in these two lists. */
export const step = z.discriminatedUnion('kind', [extrudeSchema, holeSchema, lettersSchema]);
export type Step = z.infer<typeof step>;
const kinds = { extrude, hole, letters };

/** The kinds in the order in which they are offered. */
export const stepKinds: readonly { kind: Step['kind']; label: string }[] = Object.values(kinds).map(
  ({ kind, label }) => ({ kind, label }),
);

/** The kind that a step is of, typed to take that step. */
function kindOf(of: { kind: Step['kind'] }): StepKind<Step> {
  return kinds[of.kind] as unknown as StepKind<Step>;
}

/** A new step of the given kind; see {@link StepKind.create}. */
export function createStep(kind: Step['kind'], id: string, on?: string): Step {
  return kindOf({ kind }).create(id, on);
}

/** A step in words, every number of it a field. */
export function sentenceOf(of: Step, context: SentenceContext): Token[] {
  return kindOf(of).sentence(of, context);
}

/** The ids of the earlier steps that a step is placed on. */
export function referencesOf(of: Step): string[] {
  return kindOf(of).references(of);
}

/** What a step adds or cuts. */
export function buildStep<Body>(of: Step, kit: BuildKit<Body>): Material<Body> {
  return kindOf(of).build(of, kit);
}

export type { BuildKit, Material, Outline, Region, StepKind } from './stepKind.ts';
