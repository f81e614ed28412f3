import * as z from 'zod';
import { plainSentence, withWordedField, type FieldPath, type Token } from '../../recipe/index.ts';
import { box, schema as boxSchema } from './box.ts';
import { grams, schema as gramsSchema } from './grams.ts';
import { hole, schema as holeSchema } from './hole.ts';
import { letters, schema as lettersSchema } from './letters.ts';
import { minutes, schema as minutesSchema } from './minutes.ts';
import { object, schema as objectSchema } from './object.ts';
import { oneBody, schema as oneBodySchema } from './oneBody.ts';
import { roundedEdges, schema as roundedSchema } from './rounded.ts';
import type { RequirementKind } from './requirementKind.ts';

/** Something that a brief asks of a part and that can be checked. */
export const requirement = z.discriminatedUnion('kind', [
  holeSchema,
  boxSchema,
  lettersSchema,
  gramsSchema,
  minutesSchema,
  roundedSchema,
  oneBodySchema,
  objectSchema,
]);
export type Requirement = z.infer<typeof requirement>;

/** Every kind, in the order in which they are offered. */
export const requirementKinds = [
  hole,
  box,
  letters,
  grams,
  minutes,
  roundedEdges,
  oneBody,
  object,
] as readonly RequirementKind<Requirement>[];

/** The kind of a requirement. */
export function requirementKindOf({ kind }: Requirement): RequirementKind<Requirement> {
  return requirementKinds.find((each) => each.kind === kind)!;
}

/** A requirement as a sentence about the part, whose numbers can be changed where they stand. */
export function requirementTokens(of: Requirement): Token[] {
  return requirementKindOf(of).sentence(of);
}

/** A requirement in plain words: "has a hole right through of at least Ø 4 mm". */
export function requirementWords(of: Requirement): string {
  return plainSentence(requirementTokens(of));
}

/**
 * A requirement with one of its fields put to another value.
 * Returns it, or one sentence that says what the value has to be.
 */
export function withRequirementField(of: Requirement, path: FieldPath, value: unknown) {
  return withWordedField<Requirement>(requirement, of, requirementTokens(of), path, value);
}

export type { Answer, RequirementKind } from './requirementKind.ts';
