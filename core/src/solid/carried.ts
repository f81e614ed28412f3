import { combined, shift, turn, type Pose } from '../mesh/index.ts';
import { plateBox, type ResolvedStep } from '../recipe/index.ts';
import type { Trace } from './trace.ts';

/**
 * How what a step makes is carried around the upright middle of what it is placed on; undefined for a step that stays where
 * its sentence puts it first.
 */
export function carriedAround(step: ResolvedStep, traces: ReadonlyMap<string, Trace>): Pose | undefined {
  if (!('placement' in step) || !step.placement.aroundDeg) return undefined;
  const { on, aroundDeg } = step.placement;
  const { min, max } = ('step' in on && traces.get(on.step)?.box) || plateBox;
  const [x, y] = [(min[0] + max[0]) / 2, (min[1] + max[1]) / 2];
  return combined(shift([x, y, 0]), combined(turn('z', aroundDeg), shift([-x, -y, 0])));
}
