import { isPlaceholder } from '../lettering.ts';
import * as z from 'zod';
import type { Vec3 } from '../../mesh/index.ts';
import type { Resolved } from '../amount.ts';
import type { PrinterTraits } from '../printer.ts';
import type { Addition, SentenceContext, Token } from '../sentence.ts';
import { colours, schema as coloursSchema } from './colours.ts';
import { edges, schema as edgesSchema } from './edges.ts';
import { extrude, schema as extrudeSchema } from './extrude.ts';
import { eyelet, schema as eyeletSchema } from './eyelet.ts';
import { hole, schema as holeSchema } from './hole.ts';
import { importMesh, schema as importSchema } from './importMesh.ts';
import { letters, schema as lettersSchema } from './letters.ts';
import { readySolid, schema as solidSchema } from './readySolid.ts';
import { mirror, schema as mirrorSchema } from './mirror.ts';
import type { Offer } from './offer.ts';
import { repeat, schema as repeatSchema } from './repeat.ts';
import { revolve, schema as revolveSchema } from './revolve.ts';
import { scale, schema as scaleSchema } from './scale.ts';
import { schema as setDownSchema, setDown } from './setDown.ts';
import type { BuildKit, Built, Group, RoomSize, StepKind, Surroundings } from './stepKind.ts';
import { schema as sizesSchema, sizes } from './sizes.ts';
import { schema as sweepSchema, sweep } from './sweep.ts';
import { schema as taperSchema, taper } from './taper.ts';
import { schema as trimSchema, trim } from './trim.ts';
import { shortSentence, wholeSentence } from '../shortSentence.ts';

/** Any step. A new kind of step is a file in this folder and its two names in these two lists. */
export const step = z.discriminatedUnion('kind', [
  extrudeSchema,
  lettersSchema,
  solidSchema,
  revolveSchema,
  sweepSchema,
  eyeletSchema,
  importSchema,
  holeSchema,
  trimSchema,
  edgesSchema,
  repeatSchema,
  sizesSchema,
  setDownSchema,
  scaleSchema,
  mirrorSchema,
  taperSchema,
  coloursSchema,
]);
export type Step = z.infer<typeof step>;
type Kind = Step['kind'];

/** The step of a kind. Written so that the compiler knows that a step and its kind belong together. */
type StepOf<K extends Kind> = { [P in K]: { readonly kind: P } & Extract<Step, { kind: P }> }[K];

const kinds: { readonly [K in Kind]: StepKind<StepOf<K>> } = {
  extrude,
  letters,
  solid: readySolid,
  revolve,
  sweep,
  eyelet,
  import: importMesh,
  hole,
  trim,
  edges,
  repeat,
  sizes,
  setDown,
  scale,
  mirror,
  taper,
  colours,
};

/** The kinds in the order in which they are offered. */
export const stepKinds: readonly { readonly kind: Kind; readonly label: string; readonly group: Group }[] =
  Object.values(kinds);

/** A new step of the given kind; see {@link StepKind.create}. */
export function createStep(kind: Kind, id: string, on?: string): Step {
  return kinds[kind].create(id, on);
}

/** The ways to begin a step of a kind, and how each of them is made, for the step that others are offered beside. */
export function offersOf(kind: Kind): readonly Offer<Step>[] {
  // What an offer changes is a step of its own kind, which is more than the compiler can follow.
  return kinds[kind].offers() as readonly Offer<Step>[];
}

/** Whether others are well placed on a step where nobody said on what. */
export function isGround<K extends Kind>(of: StepOf<K>): boolean {
  return canCarry(of.kind) && of.off !== true && (kinds[of.kind].isGround?.(of) ?? true);
}

/** A step where there is room on what it is on; the same for kinds that know no such place. */
export function setFreely<K extends Kind>(of: StepOf<K>): Step {
  return kinds[of.kind].freely?.(of) ?? of;
}

/** A new step with distances that suit what it takes up. */
export function spaced<K extends Kind>(of: StepOf<K>, around: Surroundings): Step {
  return kinds[of.kind].spaced?.(of, around) ?? of;
}

/** Whether a new step of a kind takes up what was made last. */
export function takesLast(kind: Kind): boolean {
  return kinds[kind].takesLast === true;
}

/** A step in words, every number of it a field. */
export function sentenceOf<K extends Kind>(of: StepOf<K>, context: SentenceContext): Token[] {
  return wholeSentence(kinds[of.kind].sentence(of, context));
}

/** A step in few words, for who does not work at it: what is as always is left out. */
export function shortSentenceOf<K extends Kind>(of: StepOf<K>, context: SentenceContext): Token[] {
  return shortSentence(kinds[of.kind].sentence(of, context));
}

/** A step after a change, with what else changes along; see {@link StepKind.following}. */
export function followingChange<K extends Kind>(of: StepOf<K>, before: Step): Step {
  if (of.kind !== before.kind) return of;
  // Both are of the kind that the step is of now.
  return kinds[of.kind].following?.(of, before as StepOf<K>) ?? of;
}

/** A step when another is taken out; see {@link StepKind.forgetting}. */
export function forgettingStep<K extends Kind>(of: StepOf<K>, removedId: string): Step {
  return kinds[of.kind].forgetting?.(of, removedId) ?? of;
}

/** Clauses that a step's sentence could also have. */
export function additionsOf<K extends Kind>(of: StepOf<K>): Addition[] {
  return kinds[of.kind].additions?.(of) ?? [];
}

/** The sizes of a step that can be dragged. */
export function sizesOf<K extends Kind>(of: StepOf<K>): RoomSize[] {
  return kinds[of.kind].sizes?.(of) ?? [];
}

/** Whether a step's sentence measures to its middle and not to its edges. */
export function isPlacedByMiddle({ kind }: Step): boolean {
  return kinds[kind].placedByMiddle === true;
}

/** Whether the outline that a step draws is half a profile, which is turned about an axis. */
export function turnsProfile({ kind }: Step): boolean {
  return kinds[kind].turnsProfile === true;
}

/** Whether a step makes the part before it again from its recipe. */
export function remakesPart({ kind }: Pick<Step, 'kind'>): boolean {
  return kinds[kind].remakes === true;
}

/**
 * What the face of a step becomes when the one is picked that looks in a direction now; undefined for a step that asks for
 * no face. Measures are by their values.
 */
export function pickedFace<K extends Kind>(
  of: StepOf<K>,
  normal: Vec3,
  measures: ReadonlyMap<string, number>,
): unknown {
  return kinds[of.kind].pickedFace?.(of, normal, measures);
}

/** What a step worked out and gave a name, as a measure for the steps after it. */
export function namedResult(
  of: Resolved<Step>,
  printer: PrinterTraits,
): { readonly name: string; readonly value: number } | undefined {
  const kind: Pick<StepKind<Step>, 'worksOut'> = kinds[of.kind] as StepKind<Step>;
  if (!('called' in of) || of.called === undefined || !kind.worksOut) return undefined;
  return { name: of.called, value: kind.worksOut(of, printer) };
}

/** What a step adds or cuts. */
export function buildStep<Body>(of: Resolved<Step>, kit: BuildKit<Body>): Built<Body> {
  // That a step whose formulas are worked out is of its kind still is more than the compiler can follow.
  const kind: Pick<StepKind<Step>, 'build'> = kinds[of.kind] as StepKind<Step>;
  return kind.build(of, kit);
}

/** Whether a step writes, and nobody has said yet what. */
export function isUnwritten(of: Step): boolean {
  if (of.kind === 'letters') return isPlaceholder(of.lettering);
  return of.kind === 'sweep' && of.of.type === 'letters' && isPlaceholder(of.of.lettering);
}

/** Whether others can be placed on what a kind of step makes. */
export function canCarry(kind: Kind): boolean {
  return kinds[kind].group === 'shape';
}

export { wishes, type Offer, type Wish } from './offer.ts';
export type { EdgeFinish } from './edgeFinish.ts';
export { faceWords, sideWords, type Face, type SetDownStep } from './setDown.ts';
export type {
  BuildKit,
  Built,
  Group,
  Level,
  OfferedEdge,
  Operation,
  StepKind,
  WishedColours,
} from './stepKind.ts';
