import type { Vec3 } from '../../mesh/index.ts';
import type { Subject } from './subject.ts';

/** So many places of a ball are asked whether they are material. */
const PLACES = 480;
/** A ray that is slanted to all usual faces, so that it does not run along one. */
const ASIDE: Vec3 = [0.3713906763541037, 0.5570860145311556, 0.7427813527082074];

/**
 * How wide the material spreads around a corner, in degrees of spherical excess: the share of a small ball's surface about
 * it that lies inside the part, of 720°. Half of the ball, on a face, is 360°, and the corner of a box 90°. It tells what a
 * finger feels of a corner whose own facets are smaller than the ball.
 */
export function solidAngleDeg(subject: Subject, [x, y, z]: Vec3, radiusMm: number): number {
  let inside = 0;
  for (const [dx, dy, dz] of ballPlaces) {
    if (isInside(subject, [x + radiusMm * dx, y + radiusMm * dy, z + radiusMm * dz])) inside++;
  }
  return (720 * inside) / PLACES;
}

/** Whether a place is material: what a ray from there meets first is seen from within. */
function isInside({ tree, faces: { normals } }: Subject, at: Vec3): boolean {
  const hit = tree.firstHit(at, ASIDE, [0, Infinity]);
  if (!hit) return false;
  const f = 3 * hit.face;
  return normals[f] * ASIDE[0] + normals[f + 1] * ASIDE[1] + normals[f + 2] * ASIDE[2] > 0;
}

const ballPlaces = evenlyOnBall(PLACES);

/** Directions spread evenly over a ball (a Fibonacci lattice; R. Swinbank and R. J. Purser, 2006). */
export function evenlyOnBall(count: number): readonly Vec3[] {
  const golden = Math.PI * (3 - Math.sqrt(5));
  return Array.from({ length: count }, (_, i): Vec3 => {
    const z = 1 - (2 * i + 1) / count;
    const r = Math.sqrt(1 - z * z);
    return [r * Math.cos(golden * i), r * Math.sin(golden * i), z];
  });
}
