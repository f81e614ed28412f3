import * as z from 'zod';
import type { Region } from '../../plane/index.ts';
import type { Resolved } from '../amount.ts';
import type { Addition, FieldPath, SentenceContext, Token } from '../sentence.ts';
import { combined, combinedFrom, schema as combinedSchema } from './combined.ts';
import type { OutlineKit, SizeField } from './outlineKind.ts';
import {
  acrossOf,
  kindToken,
  plainOptions,
  plainOutline,
  plainRegion,
  plainSizes,
  plainTokens,
} from './plain.ts';

/** Any outline: of one piece, or put together from several. */
export const outline = z.discriminatedUnion('shape', [...plainOutline.options, combinedSchema]);
export type OutlineSpec = z.infer<typeof outline>;

/** The kind of an outline, which can be changed, and its sizes, in words. */
export function outlineTokens(spec: OutlineSpec, path: FieldPath, context: SentenceContext): Token[] {
  const first = spec.shape === 'combined' ? spec.pieces[0].outline : spec;
  const across = acrossOf(first);
  const options = [
    ...plainOptions(across, context),
    // What was one outline so far is the first piece of several.
    { label: combined.label, words: combined.words, value: combinedFrom(first, across) },
  ];
  const sizes =
    spec.shape === 'combined' ? combined.tokens(spec, path, context) : plainTokens(spec, path, context);
  return [kindToken(spec, path, options), ...sizes];
}

/** The sizes of an outline that a handle can drag; `path` leads from the step to it. */
export function outlineSizes(spec: OutlineSpec, path: FieldPath): SizeField[] {
  if (spec.shape === 'combined') return [];
  return plainSizes(spec).map((size) => ({ ...size, path: [...path, ...size.path] }));
}

/** Clauses that an outline's words could also have; `path` leads from the step to it. */
export function outlineAdditions(spec: OutlineSpec, path: FieldPath): Addition[] {
  return spec.shape === 'combined' ? combined.additions!(spec, path) : [];
}

/** The area that an outline bounds, about the origin. */
export function outlineRegion(spec: Resolved<OutlineSpec>, kit: OutlineKit): Region {
  return spec.shape === 'combined' ? combined.region(spec, kit) : plainRegion(spec, kit);
}

export { failingIn } from './outlineKind.ts';
export { type PlainOutline } from './plain.ts';
export type { OutlineKit, SizeField } from './outlineKind.ts';
export type { CombinedOutline } from './combined.ts';
export type { Piece } from './pieces/piece.ts';
export { newPieceOffers, pieceOffers } from './pieces/pieceOffers.ts';
export { letterOf } from './pieces/piece.ts';
export type { DrawnPieces, LaidPiece } from './pieces/laidPiece.ts';
export { isUndrawn, isUnfinished, type PointsOutline } from './points.ts';
export type { Node, PlainNode } from './drawn/node.ts';
export type { Rule } from './drawn/rule.ts';
export { MOST_RULES, namedBy } from './drawn/rule.ts';
export { asDrawn, askedOf, relationsIn } from './drawn/askedOf.ts';
export { openWords } from './drawn/openWords.ts';
export { plainDrawing } from './drawn/plainDrawing.ts';
export { ruleTokens } from './drawn/ruleWords.ts';
export {
  axisRelations,
  figureOf,
  relationsOf,
  settledDrawing,
  withPlaces,
  type PlainDrawing,
} from './drawn/settledDrawing.ts';
export {
  withNodeAfter,
  withoutNode,
  withoutRule,
  withRule,
  type Asked,
  type Ruled,
} from './drawn/drawingEdits.ts';
export type { SvgOutline } from './svg.ts';
