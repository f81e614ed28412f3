import type { Vec3 } from './solidMesh.ts';
import { cross, dot, lengthOf, minus, plus, times, unit } from './vectors.ts';

/** A line of sight: where it begins, and which way it goes, of any length. */
export interface Sight {
  readonly from: Vec3;
  readonly way: Vec3;
}

/** What is seen more nearly along its length than this cannot be pointed at along it: the sine of the angle. */
const END_ON = 0.02;
/** A plane that is seen at a lower angle is not pointed at: a pixel would be many millimetres there. */
const GRAZING = 0.17;

/**
 * The place on a line that a line of sight comes nearest to; undefined where the line is seen end on.
 *
 * @param through a point of the line
 * @param along its direction, of length 1
 */
export function pointedOnLine(through: Vec3, along: Vec3, sight: Sight): Vec3 | undefined {
  const way = unit(sight.way);
  const apart = cross(along, way);
  const sine = lengthOf(apart);
  if (sine < END_ON) return undefined;
  // Where the plane through the sight that holds the shortest way between both meets the line.
  const towards = minus(sight.from, through);
  return plus(through, times(along, dot(cross(towards, way), apart) / (sine * sine)));
}

/**
 * The place in a plane that is pointed at. Where the plane is seen from its edge, the place moves only along that of its two
 * directions which is seen best.
 *
 * @param through a point of the plane
 * @param across its normal, of length 1
 */
export function pointedInPlane(through: Vec3, across: Vec3, sight: Sight): Vec3 | undefined {
  const way = unit(sight.way);
  const slope = dot(way, across);
  if (Math.abs(slope) < GRAZING) {
    const along = unit(cross(across, way));
    return pointedOnLine(through, along, sight);
  }
  const reach = dot(minus(through, sight.from), across) / slope;
  return reach < 0 ? undefined : plus(sight.from, times(way, reach));
}
