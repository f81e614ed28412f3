import type { Point, Region } from '../../../plane/index.ts';

/** A piece where it lies in the outline. */
export interface LaidPiece {
  readonly id: string;
  readonly how: 'and' | 'without' | 'within';
  /** The piece itself. */
  readonly own: Region;
  /** The piece as often as it is there, one region each time; the first is its own. */
  readonly copies: readonly Region[];
  /** Where the point about which it is drawn lies. */
  readonly origin: Point;
  /** By how much it is turned about that point. */
  readonly turnDeg: number;
}

/** The pieces of an outline and what they make, as long as they make something. */
export interface DrawnPieces {
  readonly pieces: readonly LaidPiece[];
  readonly whole?: Region;
}
