import { cornersOf, type Box, type Vec3 } from './solidMesh.ts';

/** How everything grows narrower, or wider, with height: lengths at a height are so many times what they were. */
export interface Taper {
  /** The upright line that stays where it is. */
  readonly middle: readonly [x: number, y: number];
  /** The height where lengths stay as they are. */
  readonly fromMm: number;
  /** By how much the factor of lengths changes with each millimetre of height, left to right and front to back. */
  readonly perMm: readonly [x: number, y: number];
}

/** Above a tip that everything runs to nothing would be left, so lengths never come to less than this share. */
const LEAST_FACTOR = 0.01;

/** How many times as long lengths are at a height, left to right and front to back. */
export function factorsAt({ fromMm, perMm }: Taper, zMm: number): [number, number] {
  const at = (each: number) => Math.max(LEAST_FACTOR, 1 + each * (zMm - fromMm));
  return [at(perMm[0]), at(perMm[1])];
}

/** Where a point comes to lie. */
export function tapered(taper: Taper, [x, y, z]: Vec3): [number, number, number] {
  const [fx, fy] = factorsAt(taper, z);
  const [mx, my] = taper.middle;
  return [mx + (x - mx) * fx, my + (y - my) * fy, z];
}

/** The box around what a box becomes: factors change evenly with height, so its corners are enough. */
export function boxTapered(taper: Taper, box: Box): Box {
  const corners = cornersOf(box).map((corner) => tapered(taper, corner));
  const pick = (of: (...all: number[]) => number): Vec3 => [
    of(...corners.map(([x]) => x)),
    of(...corners.map(([, y]) => y)),
    of(...corners.map(([, , z]) => z)),
  ];
  return { min: pick(Math.min), max: pick(Math.max) };
}
