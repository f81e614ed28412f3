import type { Point } from '../plane/index.ts';

/** A closed line through points: edge i runs from point i to the next, the last one back to the first. */
export interface Figure {
  readonly points: readonly Point[];
  /** How each edge bends: the height of its arc over half its chord; 0 is straight, 1 a half circle to the right of the way. */
  readonly bends: readonly number[];
}

/**
 * The numbers that solving changes, as one vector: x and y of each point, then how far each edge turns. A turn is the angle
 * between an edge's chord and its line where it begins; it is kept times {@link TURN_MM}, so that all numbers are lengths.
 */
export class Unknowns {
  readonly values: Float64Array;

  constructor(
    readonly count: number,
    values?: Float64Array,
  ) {
    this.values = values ?? new Float64Array(3 * count);
  }

  static of({ points, bends }: Figure): Unknowns {
    const unknowns = new Unknowns(points.length);
    points.forEach(([x, y], i) => {
      unknowns.values[2 * i] = x;
      unknowns.values[2 * i + 1] = y;
      unknowns.values[unknowns.turnAt(i)] = 2 * Math.atan(bends[i]) * TURN_MM;
    });
    return unknowns;
  }

  figure(): Figure {
    const all = Array.from({ length: this.count }, (_, i) => i);
    return {
      points: all.map((i) => this.point(i)),
      bends: all.map((i) => Math.tan(this.turn(i) / 2)),
    };
  }

  /** Where the turn of an edge stands in the vector; those of a point stand at twice its index. */
  turnAt(edge: number): number {
    return 2 * this.count + edge;
  }

  point(i: number): Point {
    return [this.values[2 * i], this.values[2 * i + 1]];
  }

  /** The angle from an edge's chord to its line where it ends, and from where it begins to its chord, rad. */
  turn(edge: number): number {
    return this.values[this.turnAt(edge)] / TURN_MM;
  }

  /** The point that an edge leads to. */
  after(edge: number): number {
    return (edge + 1) % this.count;
  }
}

/** The length that stands for a turn of one radian: about the radius of what students draw. */
export const TURN_MM = 10;
