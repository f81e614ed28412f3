import type { Area } from '../../solid/index.ts';
import { fillLines } from './fillLines.ts';
import { inOrderOfTravel } from '../paths/order.ts';
import type { Path } from '../paths/toolpath.ts';

/** How far lines of the hot nozzle over a finished face are apart, mm: much nearer than those that it goes over. */
const APART_MM = 0.15;
/** The share of the plastic that would fill the face once more: just what fills the grooves between its lines. */
const FLOW = 0.1;
/** What is narrower than twice this is left as it is, mm. */
const NARROW_MM = 0.5;
/** Across the lines of the closed fill, which lie at 45° and 135°. */
const ANGLE_DEG = 0;

/**
 * The lines in which the hot nozzle goes once more over a face that is seen from above, so that it comes out smooth.
 *
 * @param face what is open to the sky, within its walls
 */
export function smoothingOf(face: Area): Path[] {
  const open = face.grown(-NARROW_MM).grown(NARROW_MM).and(face);
  if (open.isEmpty()) return [];
  return inOrderOfTravel(fillLines(open.outlines(), ANGLE_DEG, APART_MM, 'smooth', APART_MM * FLOW));
}
