import type { Box, Vec3 } from './solidMesh.ts';
import { cross, dot, times } from './vectors.ts';

/**
 * A turn, mirroring, scale and shift together, as a 4 × 4 matrix in column order, which is how both the kernel and the
 * 3D view take it: x' = m[0] x + m[4] y + m[8] z + m[12].
 */
// oxfmt-ignore
export type Pose = [
  number, number, number, number, number, number, number, number,
  number, number, number, number, number, number, number, number,
];

/** Nothing moved. */
export const unmoved: Pose = [1, 0, 0, 0, 0, 1, 0, 0, 0, 0, 1, 0, 0, 0, 0, 1];

/** Moved by a vector, mm. */
export function shift([x, y, z]: Vec3): Pose {
  return [1, 0, 0, 0, 0, 1, 0, 0, 0, 0, 1, 0, x, y, z, 1];
}

/** Turned about an axis through the origin, counter-clockwise seen from the axis' high end. Quarter turns are exact. */
export function turn(axis: 'x' | 'y' | 'z', deg: number): Pose {
  const [c, s] = [cosine(deg), cosine(deg - 90)];
  if (axis === 'x') return [1, 0, 0, 0, 0, c, s, 0, 0, -s, c, 0, 0, 0, 0, 1];
  if (axis === 'y') return [c, 0, -s, 0, 0, 1, 0, 0, s, 0, c, 0, 0, 0, 0, 1];
  return [c, s, 0, 0, -s, c, 0, 0, 0, 0, 1, 0, 0, 0, 0, 1];
}

/** Mirrored in the plane through the origin that is square to an axis. */
export function mirror(axis: 'x' | 'y' | 'z'): Pose {
  const pose: Pose = [...unmoved];
  pose[{ x: 0, y: 5, z: 10 }[axis]] = -1;
  return pose;
}

/** Made larger or smaller about the origin. */
export function scale(factor: number): Pose {
  return stretch([factor, factor, factor]);
}

/** Made larger or smaller about the origin, along each axis by a factor of its own. */
export function stretch([x, y, z]: Vec3): Pose {
  return [x, 0, 0, 0, 0, y, 0, 0, 0, 0, z, 0, 0, 0, 0, 1];
}

/** The turn that brings a direction to point straight down, by the shortest way (Rodrigues' formula). */
export function turnDown([x, y, z]: Vec3): Pose {
  const long = Math.hypot(x, y, z);
  const [nx, ny, nz] = [x / long, y / long, z / long];
  if (nz < -1 + 1e-12) return [...unmoved];
  if (nz > 1 - 1e-12) return turn('x', 180);
  // The axis of the turn is n × (0, 0, −1); its length is the sine of the angle and −nz the cosine.
  const [ax, ay, cos] = [-ny, nx, -nz];
  const k = 1 / (1 + cos);
  return [
    cos + k * ax * ax, k * ax * ay, -ay, 0,
    k * ax * ay, cos + k * ay * ay, ax, 0,
    ay, -ax, cos, 0,
    0, 0, 0, 1,
  ]; // oxfmt-ignore
}

/** The turn that undoes a turn: its transpose. For a pose without shift and scale. */
export function turnedBack(m: Pose): Pose {
  return [m[0], m[4], m[8], 0, m[1], m[5], m[9], 0, m[2], m[6], m[10], 0, 0, 0, 0, 1];
}

/** What undoes a pose, of which nothing is made flat: by Cramer's rule, the rows of it are cross products of the columns. */
export function inverse(m: Pose): Pose {
  const [a, b, c]: Vec3[] = [0, 4, 8].map((at) => [m[at], m[at + 1], m[at + 2]]);
  const size = dot(a, cross(b, c));
  const [x, y, z] = [cross(b, c), cross(c, a), cross(a, b)].map((row) => times(row, 1 / size));
  const by: Vec3 = [m[12], m[13], m[14]];
  return [x[0], y[0], z[0], 0, x[1], y[1], z[1], 0, x[2], y[2], z[2], 0, -dot(x, by), -dot(y, by), -dot(z, by), 1]; // oxfmt-ignore
}

/** Whether a pose turns by quarters alone, if at all, so that boxes stay boxes. */
export function isSquare(m: Pose): boolean {
  return [0, 4, 8].every((at) => [0, 1, 2].filter((i) => Math.abs(m[at + i]) > 1e-9).length === 1);
}

/** First the last of the poses, then the one before it, …: the order in which matrices are multiplied. */
export function combined(...poses: Pose[]): Pose {
  return poses.reduceRight((inner, outer) => {
    const product: number[] = [];
    for (let column = 0; column < 4; column++) {
      for (let row = 0; row < 4; row++) {
        let sum = 0;
        for (let k = 0; k < 4; k++) sum += outer[4 * k + row] * inner[4 * column + k];
        product.push(sum);
      }
    }
    return product as Pose;
  }, unmoved);
}

/** Where a pose puts a point. */
export function posed(m: Pose, [x, y, z]: Vec3): Vec3 {
  return [
    m[0] * x + m[4] * y + m[8] * z + m[12],
    m[1] * x + m[5] * y + m[9] * z + m[13],
    m[2] * x + m[6] * y + m[10] * z + m[14],
  ];
}

/** The box around a box that was turned by quarter turns, mirrored or moved. */
export function boxUnder(pose: Pose, box: Box): Box {
  const [a, b] = [posed(pose, box.min), posed(pose, box.max)];
  const each = (pick: (p: number, q: number) => number): Vec3 => [
    pick(a[0], b[0]),
    pick(a[1], b[1]),
    pick(a[2], b[2]),
  ];
  return { min: each(Math.min), max: each(Math.max) };
}

function cosine(deg: number): number {
  const turned = ((deg % 360) + 360) % 360;
  if (turned % 90 === 0) return [1, 0, -1, 0][turned / 90];
  return Math.cos((turned * Math.PI) / 180);
}
