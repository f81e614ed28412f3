import type { Box, Vec3 } from '../../mesh/solidMesh.ts';
import { isFormula } from '../amount.ts';
import { axes, axisIndex, type Axis, type Placement } from '../placement.ts';
import type { Step } from '../steps/index.ts';
import { spreadOf } from '../steps/placed.ts';
import { movedAlong, rounded } from './movedAlong.ts';
import type { FieldChange } from './sizing.ts';

/** The two axes along which a step lies spread: those of the side that it faces, or those of the plan. */
export function spreadAxes(step: Step): readonly [Axis, Axis] {
  return 'facing' in step ? spreadOf(step.facing) : ['x', 'y'];
}

/** Whether a step was carried around, so that it does not lie along the axes. */
export function isCarried(step: Step): boolean {
  const deg = 'placement' in step ? step.placement.aroundDeg : undefined;
  return deg !== undefined && deg !== 0;
}

/**
 * What the sentence of a step says once it was moved by mm along each axis; undefined where it lies by itself. `box` is what it
 * made and `host` what it is placed on. Numbers that are worked out from measures stay.
 */
export function movingOf(step: Step, box: Box, host: Box): ((by: Vec3) => FieldChange[]) | undefined {
  if (!('placement' in step)) return undefined;
  const { placement: placed } = step;
  const isFitted = 'lettering' in step && step.lettering.size.by === 'room';
  const isFree = 'free' in step && step.free !== undefined;
  if (isFitted || isFormula(placed.aroundDeg)) return undefined;
  const carriedDeg = placed.aroundDeg ?? 0;
  if (isFree) {
    if (carriedDeg !== 0) return undefined;
    return (by) => [{ path: ['free'], value: undefined }, ...put(spreadAxes(step), by, box, host)];
  }
  // What was carried around is moved as it lay before.
  const back = (-carriedDeg * Math.PI) / 180;
  const [cos, sin] = [Math.cos(back), Math.sin(back)];
  return ([x, y, z]) => {
    const by: Vec3 = [x * cos - y * sin, x * sin + y * cos, z];
    return axes.flatMap((axis) => moved(placed, axis, by[axisIndex[axis]], host));
  };
}

function moved(placed: Placement, axis: Axis, byMm: number, host: Box): FieldChange[] {
  const i = axisIndex[axis];
  const rule = movedAlong(placed[axis], byMm, host.max[i] - host.min[i]);
  return rounded(byMm) === 0 ? [] : [{ path: ['placement', axis], value: rule }];
}

/** What lay anywhere in the free space is put where it was moved to, measured from the middle of what it is on. */
function put(along: readonly Axis[], by: Vec3, box: Box, host: Box): FieldChange[] {
  return along.map((axis) => {
    const i = axisIndex[axis];
    const mm = rounded((box.min[i] + box.max[i]) / 2 + by[i] - (host.min[i] + host.max[i]) / 2);
    return { path: ['placement', axis], value: { relation: 'centred', ...(mm === 0 ? {} : { mm }) } };
  });
}
