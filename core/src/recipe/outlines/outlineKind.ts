import type { Region } from '../../plane/index.ts';
import type { Resolved } from '../amount.ts';
import type { StepRef } from '../placement.ts';
import type { DrawnPieces } from './pieces/laidPiece.ts';
import type { Addition, FieldPath, SentenceContext, Token } from '../sentence.ts';

/** What an outline may ask for that it cannot work out by itself. */
export interface OutlineKit {
  /** The outline of an earlier step, as it was before any position. */
  outlineOf(step: StepRef): Region;
  /** Grown by mm, or shrunk where it is negative; sharp corners stay sharp, or are rounded. */
  grown(region: Region, mm: number, corners: 'sharp' | 'round'): Region;
  /** What lies in any of the regions. */
  joined(regions: readonly Region[]): Region;
  /** What lies in the first region and not in the second. */
  without(region: Region, other: Region): Region;
  /** What lies in both regions. */
  common(region: Region, other: Region): Region;
  /** Hears where the pieces lie that an outline is put together from, so that they can be shown. */
  drewPieces(drawn: DrawnPieces): void;
  /** Ends the evaluation with a sentence about one field of the outline, and the place that it speaks of. */
  fail(path: FieldPath, message: string, at?: readonly [number, number]): never;
}

/** A number that says how large something is along an axis, as it is drawn. */
export interface SizeField {
  readonly path: FieldPath;
  readonly axis: 'x' | 'y';
}

/** A kind of outline: one file that says what its fields are, how it reads, and what area it bounds. */
export interface OutlineKind<O extends { shape: string }> {
  readonly shape: O['shape'];
  /** What it is called in a sentence, with its article. */
  readonly label: string;
  /** Other words by which people look for it, with spaces between them. */
  readonly words: string;
  /** An outline about as large as one that it takes the place of. */
  create(acrossMm: number): O;
  /** Its sizes in words; `path` leads from the step to the outline. */
  tokens(outline: O, path: FieldPath, context: SentenceContext): Token[];
  /** Clauses that its words could also have. */
  additions?(outline: O, path: FieldPath): Addition[];
  /** Its sizes that a handle on the plan can drag: each grows with the outline's extent along an axis. */
  sizes?(outline: O): SizeField[];
  /** Its area, about the origin. */
  region(outline: Resolved<O>, kit: OutlineKit): Region;
}

/** How what lies in a field of a step ends the evaluation: its own fields are named from there on. */
export function failingIn({ fail }: Pick<OutlineKit, 'fail'>, to: FieldPath): OutlineKit['fail'] {
  return (path, message, at) => fail([...to, ...path], message, at);
}
