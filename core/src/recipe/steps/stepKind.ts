import * as z from 'zod';
import type { FilamentColour } from '../../colours/index.ts';
import type { EdgeName } from '../../edges/index.ts';
import type { Box, Pose, SolidMesh, Taper, Vec3 } from '../../mesh/index.ts';
import type { Point, Region } from '../../plane/index.ts';
import type { Resolved } from '../amount.ts';
import type { Facing } from '../facing.ts';
import type { Lettering } from '../lettering.ts';
import type { OutlineKit } from '../outlines/outlineKind.ts';
import type { Axis, StepRef, Target } from '../placement.ts';
import type { PrinterTraits } from '../printer.ts';
import type { Relief } from '../relief.ts';
import type { Offer } from './offer.ts';
import type { Addition, FieldPath, SentenceContext, Token } from '../sentence.ts';

/** A height in a {@link BuildKit.stack}: how far the outline has grown there, or shrunk where it is negative. */
export interface Level {
  readonly atMm: number;
  readonly growMm: number;
}

/**
 * What a step may ask of the geometry, so that steps are written without knowing the kernel behind it. `Body` is the
 * kernel's own idea of a solid; a step only passes it on.
 */
export interface BuildKit<Body> extends OutlineKit {
  readonly printer: PrinterTraits;
  /** A body that has a region, grown as each level says, as its section at that level; straight in between. */
  stack(region: Region, levels: readonly Level[]): Body;
  /** A body whose sections are all the region, moved at each height by what `leanAt` says. */
  leaning(region: Region, heightMm: number, leanAt: (zMm: number) => readonly [number, number]): Body;
  /** A half profile, x its distance from the axis and y its height, turned about the z axis. */
  revolved(profile: Region, deg: number): Body;
  /** A mesh that was imported, in its own measure. */
  imported(asset: string): Body;
  /** The outlines of letters about the origin and the height of a capital; ends the evaluation for signs that the font lacks. */
  letters(lettering: Resolved<Lettering>): { readonly region: Region; readonly capMm: number };
  /** Letters as large as fits into a region, and where the middle of their box lies then; undefined where none fit. */
  lettersInto(
    lettering: Omit<Resolved<Lettering>, 'size'>,
    room: Region,
  ): { readonly region: Region; readonly capMm: number; readonly middle: Point } | undefined;
  /** A body that has a closed mesh for its surface. */
  meshBody(mesh: SolidMesh): Body;
  /**
   * The surface of the part before this step, after the first operations of this step, and the ids of the steps that its
   * triangles know by their place here; undefined while there is nothing. Operations that were told are only added to.
   */
  surface(
    after: readonly Operation<Body>[],
  ): { readonly mesh: SolidMesh; readonly stepIds: readonly string[] } | undefined;
  posed(body: Body, pose: Pose): Body;
  /** What is in the first body and not in the second. */
  minus(body: Body, other: Body): Body;
  boxOf(body: Body): Box;
  /** Whether a region can be grown (or shrunk) by mm without losing a part, an opening or a neck. */
  canGrow(region: Region, mm: number): boolean;
  /** The most that a region can be shrunk (`way` −1) or grown (1) in that sense, up to a bound. */
  mostGrowth(region: Region, way: 1 | -1, upToMm: number): number;
  /** The box of what an earlier step made, before any later cut; the plate's for the plate. */
  hostBox(target: Target): Box;
  /** The box of the part as it stands before this step, or undefined while there is nothing. */
  partBox(): Box | undefined;
  /** The box that the part so far would have after a turn and scale. */
  partBoxUnder(pose: Pose): Box;
  /** The box of what the part before this step and a body have in common, or undefined for nothing. */
  boxWithin(body: Body): Box | undefined;
  /** The section of the part so far across a side, in that side's own right and up, at a distance along its outward way. */
  sectionFacing(side: Facing, atMm: number): Region;
  /** Where the middle of a width × depth box can lie in a region, as a region. */
  roomFor(region: Region, widthMm: number, depthMm: number): Region;
  /** An earlier step and all that follow it up to this one, those that are switched off left out. */
  since(first: StepRef): StepRef[];
  /**
   * What earlier steps added and cut, once for each pose. The copies of one operation follow each other, so that they
   * reach the part together.
   */
  repeated(of: readonly StepRef[], poses: readonly Pose[]): Operation<Body>[];
  /** What a measure is worth; undefined where there is none of that name. */
  measure(name: string): number | undefined;
  /** Whether a step before this one uses a measure, or another measure does. */
  isMeasureUsed(name: string): boolean;
  /**
   * The part that the steps before this one make when a measure has another value; undefined where they make nothing.
   * Fails at the path where they cannot be built with it.
   */
  withMeasure(name: string, value: number, path: FieldPath): Body | undefined;
  /** Says something about the step that is not wrong enough to end the evaluation. */
  note(message: string): void;
  /** Tells what the step worked out, which is as it should be. */
  tell(message: string): void;
}

/** What a step does to the part. */
export interface Operation<Body> {
  readonly effect: 'add' | 'cut' | 'keep';
  readonly body: Body;
  /** A cut that is meant to stay open, as holes are: what fills it again is reported. */
  readonly staysOpen?: boolean;
}

/** An edge of the part that can be chosen. */
export interface OfferedEdge {
  readonly name: EdgeName;
  /** Where it runs, mm. */
  readonly points: readonly Vec3[];
  readonly isChosen: boolean;
}

/** The colours in which a part is wished: the first from the plate up, the others from the heights that are said. */
export interface WishedColours {
  readonly first: FilamentColour;
  readonly changes: readonly {
    readonly from:
      | { readonly by: 'mm'; readonly mm: number }
      | { readonly by: 'step'; readonly of: StepRef; readonly edge: 'low' | 'high' };
    readonly colour: FilamentColour;
  }[];
}

/** What a step made of its sentence. */
export interface Built<Body> {
  readonly operations: readonly Operation<Body>[];
  /** Its outline before any position, for steps that take it up. */
  readonly outline?: Region;
  /** The corners that its outline had before any was finished, where the outline lies if that is seen from above. */
  readonly corners?: readonly { readonly at?: Point; readonly isOuter: boolean }[];
  /** The edges of the part among which it lets people choose, and which of them were. */
  readonly edges?: readonly OfferedEdge[];
  /** Its box as sentences speak of it, where that is not the box of its bodies: without clearances, say. */
  readonly box?: Box;
  /** What it raises from a surface, or sinks into it. */
  readonly relief?: Pick<Relief, 'effect' | 'isLettering'> & { readonly facing: Facing };
  /** The height of a capital, if it writes. */
  readonly capMm?: number;
  /** For copies: where each of the steps was put again. */
  readonly copies?: { readonly of: readonly StepRef[]; readonly poses: readonly Pose[] };
  /** A turn, scale and shift of everything so far. */
  readonly whole?: Pose;
  /** Everything so far grown narrower, or wider, with height. */
  readonly taper?: Taper;
  /** In which colours the part is wished. */
  readonly colours?: WishedColours;
}

/** What is known of a thing that a new step takes up: its box, the step that it stands on with the box of that, and what else is there. */
export interface Surroundings {
  readonly own: Box;
  readonly under?: StepRef;
  readonly room?: Box;
  readonly others?: readonly Box[];
}

/** What a kind of step does to the part. Others can be placed on shapes; how a step is offered, its offers say. */
export type Group = 'shape' | 'cut' | 'repeat' | 'whole';

/** A number that says how long something is along an axis of the room. */
export interface RoomSize {
  readonly path: FieldPath;
  readonly axis: Axis;
  /** The end that stays where it is, where its placement does not say so. */
  readonly holds?: 'low' | 'high';
}

/**
 * A kind of step: one file that says what its fields are, how it reads and how it builds.
 * The bench, the worker and the command know kinds of step by this interface alone.
 */
export interface StepKind<S extends { id: string; kind: string }> {
  readonly kind: S['kind'];
  /** What it is called where a step is added: "Cut a hole". */
  readonly label: string;
  readonly group: Group;
  /** The ways in which such a step is offered, the usual one first. */
  offers(): readonly Offer<S>[];
  /** A new step with sensible sizes, placed on the given earlier step if there is one. */
  create(id: string, on?: string): S;
  sentence(step: S, context: SentenceContext): Token[];
  /** Whether others are well placed on such a step, where nobody said on what; of those that can carry, all are if it is not told. */
  isGround?(step: S): boolean;
  /** The step where there is room on what it is on, for when something stands there already. */
  freely?(step: S): S;
  /** A new step takes up what was made last, and not what others stand on. */
  readonly takesLast?: true;
  /** The step with distances that suit what it takes up. */
  spaced?(step: S, around: Surroundings): S;
  /** Its sentence measures to its middle and not to its edges. */
  readonly placedByMiddle?: true;
  /** The outline that it draws is half a profile, which is turned about an axis. */
  readonly turnsProfile?: true;
  /** It makes the part before it again from its recipe, formulas and all, and not only from what they came to. */
  readonly remakes?: true;
  /** What its face becomes when the one is picked that looks in a direction now, with measures of these values. */
  pickedFace?(step: S, normal: Vec3, measures: ReadonlyMap<string, number>): unknown;
  /** What else of a step changes with a change of it, as a sentence is read: a cut begins where what it was stood. */
  following?(step: S, before: S): S;
  /** The step without what it says of another that is taken out, where the rest of it still holds. */
  forgetting?(step: S, removedId: string): S;
  /** Its sizes that can be dragged. */
  sizes?(step: S): RoomSize[];
  /** Clauses that the sentence could also have. */
  additions?(step: S): Addition[];
  /** What it works out by itself, which its field `called` names for later sentences. */
  worksOut?(step: Resolved<S>, printer: PrinterTraits): number;
  build<Body>(step: Resolved<S>, kit: BuildKit<Body>): Built<Body>;
}

/** The fields of a step of a kind, with those that every step has. */
export function stepSchema<Kind extends string, Fields extends z.ZodRawShape>(kind: Kind, fields: Fields) {
  return z.strictObject({
    id: z.string().min(1).max(40),
    kind: z.literal(kind),
    /** What the step is called, where "step 3" does not say enough. */
    name: z.string().trim().min(1).max(40).optional(),
    /** A step that is switched off is kept and does nothing. */
    off: z.literal(true).optional(),
    ...fields,
  });
}
