import type { Box } from '../../mesh/solidMesh.ts';
import { fieldAt } from '../sentence.ts';
import { isPlacedByMiddle, sizesOf, type Step } from '../steps/index.ts';
import { normalOf } from '../facing.ts';
import { isCarried } from './moving.ts';
import { heldBy, sizing, type Sizing } from './sizing.ts';

/**
 * What of a step can be made longer by dragging, along the axes of the room. `box` is what the step made. Numbers that are
 * worked out from measures are left alone: they are changed where the measure is.
 */
export function sizingsOf(step: Step, box: Box): Sizing[] {
  const placed = 'placement' in step ? step.placement : undefined;
  // What was carried around does not lie along the axes.
  if (isCarried(step)) return [];
  // What is measured to its axis or its middle grows to all sides of it, and so does what lies anywhere it fits.
  const growsAround =
    isPlacedByMiddle(step) ||
    ('measuredTo' in step && step.measuredTo === 'axis') ||
    ('free' in step && step.free !== undefined);
  const across = 'facing' in step ? normalOf[step.facing].axis : 'z';
  return sizesOf(step).flatMap(({ path, axis, holds }) => {
    const value = fieldAt(step, path);
    if (typeof value !== 'number') return [];
    const rule = growsAround && axis !== across ? undefined : placed?.[axis];
    return sizing(path, axis, value, box, holds ?? heldBy(rule));
  });
}
