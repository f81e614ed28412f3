import * as z from 'zod';
import { extentOf, type Region } from '../../plane/index.ts';
import type { Resolved } from '../amount.ts';
import { choice, type FieldPath, type Option, type SentenceContext, type Token } from '../sentence.ts';
import * as circle from './circle.ts';
import * as drop from './drop.ts';
import * as ellipse from './ellipse.ts';
import * as heart from './heart.ts';
import * as ofStep from './ofStep.ts';
import type { OutlineKind, OutlineKit, SizeField } from './outlineKind.ts';
import * as points from './points.ts';
import * as polygon from './polygon.ts';
import * as ring from './ring.ts';
import * as roundedRectangle from './roundedRectangle.ts';
import * as sector from './sector.ts';
import * as slot from './slot.ts';
import * as star from './star.ts';
import * as svg from './svg.ts';

/** An outline of one piece. A new kind of outline is a file in this folder and its names in these two lists. */
export const plainOutline = z.discriminatedUnion('shape', [
  roundedRectangle.schema,
  circle.schema,
  ellipse.schema,
  polygon.schema,
  slot.schema,
  ring.schema,
  sector.schema,
  heart.schema,
  star.schema,
  drop.schema,
  points.schema,
  svg.schema,
  ofStep.schema,
]);
export type PlainOutline = z.infer<typeof plainOutline>;
type Shape = PlainOutline['shape'];

/** The outline of a kind. Written so that the compiler knows that an outline and its kind belong together. */
type OutlineOf<S extends Shape> = {
  [P in S]: { readonly shape: P } & Extract<PlainOutline, { shape: P }>;
}[S];

const kinds: { readonly [S in Shape]: OutlineKind<OutlineOf<S>> } = {
  roundedRectangle: roundedRectangle.roundedRectangle,
  circle: circle.circle,
  ellipse: ellipse.ellipse,
  polygon: polygon.polygon,
  slot: slot.slot,
  ring: ring.ring,
  sector: sector.sector,
  heart: heart.heart,
  star: star.star,
  drop: drop.drop,
  points: points.points,
  svg: svg.svg,
  ofStep: ofStep.ofStep,
};

const shapes = plainOutline.options.map(({ shape }) => shape.shape.value);

/** A new outline of the given kind. */
export function createPlain(shape: Shape, acrossMm: number): PlainOutline {
  return kinds[shape].create(acrossMm);
}

/** The area of an outline. */
export function plainRegion(outline: Resolved<PlainOutline>, kit: OutlineKit): Region {
  // That an outline whose formulas are worked out is of its kind still is more than the compiler can follow.
  const kind: Pick<OutlineKind<PlainOutline>, 'region'> = kinds[outline.shape] as OutlineKind<PlainOutline>;
  return kind.region(outline, kit);
}

/** The sizes of an outline that a handle can drag. */
export function plainSizes<S extends Shape>(outline: OutlineOf<S>): SizeField[] {
  return kinds[outline.shape].sizes?.(outline) ?? [];
}

/** The outline's own sizes in words. */
export function plainTokens<S extends Shape>(
  outline: OutlineOf<S>,
  path: FieldPath,
  context: SentenceContext,
): Token[] {
  return kinds[outline.shape].tokens(outline, path, context);
}

/** The kinds that an outline of this size can be changed to; "like that of" needs an earlier step. */
export function plainOptions(acrossMm: number, { recipe, index }: SentenceContext): Option[] {
  const before = recipe.steps[index - 1];
  return shapes.flatMap((shape) => {
    const made = createPlain(shape, acrossMm);
    const { label, words } = kinds[shape];
    if (made.shape !== 'ofStep') return { label, words, value: made };
    return before ? { label, words, value: { ...made, of: { step: before.id } } } : [];
  });
}

/** The kind of an outline, which can be changed, and its sizes. */
export function plainShapeTokens(outline: PlainOutline, path: FieldPath, context: SentenceContext): Token[] {
  const options = plainOptions(acrossOf(outline), context);
  return [kindToken(outline, path, options), ...plainTokens(outline, path, context)];
}

/** The word for the kind of an outline. */
export function kindToken({ shape }: { shape: string }, path: FieldPath, options: readonly Option[]): Token {
  return choice(path, 'shape', options, ({ value }) => (value as { shape: string }).shape === shape);
}

/** About how large an outline is, in mm. */
export function acrossOf(outline: PlainOutline): number {
  const sizes = Object.entries(outline).flatMap(([key, value]) =>
    /^(width|depth|diameter|outer|length|across)Mm$/.test(key) && typeof value === 'number' ? value : [],
  );
  if (outline.shape === 'points') {
    const nodes = outline.nodes.map(({ xMm, yMm }): [number, number] => [Number(xMm) || 0, Number(yMm) || 0]);
    const { x } = extentOf([nodes]);
    sizes.push(x.high - x.low);
  }
  return sizes.length === 0 ? 20 : Math.max(1, ...sizes);
}
