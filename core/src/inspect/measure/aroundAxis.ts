import type { Vec3 } from '../../mesh/index.ts';
import { planeBasis } from './fit.ts';
import type { Subject } from './subject.ts';

/** Places seen along an axis, and how far along it they lie. */
export class AlongAxis {
  readonly #axis: Vec3;
  readonly #u: Vec3;
  readonly #v: Vec3;

  constructor(axis: Vec3) {
    this.#axis = axis;
    [this.#u, this.#v] = planeBasis(axis);
  }

  /** Where corner `vertex` of a list of coordinates lies, seen along the axis. */
  flat(positions: Float32Array, vertex: number): [number, number] {
    return [dot(positions, vertex, this.#u), dot(positions, vertex, this.#v)];
  }

  /** A direction, seen along the axis. */
  flatOf([x, y, z]: Vec3): [number, number] {
    const by = (d: Vec3) => x * d[0] + y * d[1] + z * d[2];
    return [by(this.#u), by(this.#v)];
  }

  /** How far along the axis it lies. */
  height(positions: Float32Array, vertex: number): number {
    return dot(positions, vertex, this.#axis);
  }

  /** The place in space of one seen along the axis, at a height along it. */
  place([x, y]: readonly [number, number], height: number): Vec3 {
    return [0, 1, 2].map((i) => x * this.#u[i] + y * this.#v[i] + height * this.#axis[i]) as unknown as Vec3;
  }

  /** Whether nothing is in the way from a place on the axis of a hole to both its ends. */
  isOpen({ tree }: Subject, at: Vec3, radius: number, reachMm: number): boolean {
    // Looked along beside the axis, since the facets of a drill tip meet in a point on it, where a ray could slip through.
    const beside = [0, 1, 2].map(
      (i) => at[i] + radius * (0.13 * this.#u[i] + 0.29 * this.#v[i]),
    ) as unknown as Vec3;
    const [x, y, z] = this.#axis;
    return ([this.#axis, [-x, -y, -z]] as const).every((way) => !tree.firstHit(beside, way, [0, reachMm]));
  }
}

function dot(p: Float32Array, vertex: number, d: Vec3): number {
  return p[3 * vertex] * d[0] + p[3 * vertex + 1] * d[1] + p[3 * vertex + 2] * d[2];
}

const TURN = 2 * Math.PI;

/** Over how many of 360 degrees facets, given by the angles of their corners in radians, go around. */
export function wrapOf(facets: readonly (readonly number[])[]): number {
  const covered = new Uint8Array(360);
  for (const angles of facets) {
    const [first, ...others] = angles;
    // Measured from the first corner the short way, so that a facet across ±180° is not taken for a whole turn.
    const offsets = others.map((angle) => angle - first - TURN * Math.round((angle - first) / TURN));
    const from = ((first + Math.min(0, ...offsets)) * 180) / Math.PI;
    const to = ((first + Math.max(0, ...offsets)) * 180) / Math.PI;
    for (let deg = Math.floor(from); deg < to; deg++) covered[((deg % 360) + 360) % 360] = 1;
  }
  return covered.reduce((sum, one) => sum + one, 0);
}

/** The facets of a set that are square to an axis, within an angle by its sine. */
export function squareTo(
  normals: Float64Array,
  set: readonly number[],
  [ax, ay, az]: Vec3,
  sine: number,
): number[] {
  return set.filter(
    (f) => Math.abs(normals[3 * f] * ax + normals[3 * f + 1] * ay + normals[3 * f + 2] * az) < sine,
  );
}
