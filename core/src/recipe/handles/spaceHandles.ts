import type { Box, Vec3 } from '../../mesh/solidMesh.ts';
import { isFormula, type Amount } from '../amount.ts';
import { normalOf } from '../facing.ts';
import { axisIndex, axes, type Axis } from '../placement.ts';
import { isPlacedByMiddle, type Step } from '../steps/index.ts';
import { isCarried, movingOf, spreadAxes } from './moving.ts';
import { turningOf } from './planHandles.ts';
import { sizingsOf } from './sizings.ts';
import type { FieldChange, Sizing } from './sizing.ts';
import { say } from '../../words/index.ts';

/** A place in the room that can be dragged, and what dragging it does to the sentence. */
export interface SpaceHandle {
  readonly kind: 'move' | 'lift' | 'turn';
  readonly label: string;
  /** Where it is, mm. */
  readonly at: Vec3;
  /** It is dragged along this axis, or in the plane across the other one. */
  readonly way: { readonly along: Axis } | { readonly across: Axis };
  /** What the sentence says once it has been dragged to a point. */
  to(point: Vec3): FieldChange[];
}

/** A distance by which a step is placed, between two places along an axis. */
export interface Distance {
  readonly label: string;
  readonly axis: Axis;
  /** From here, on what it is placed on, to there, mm. */
  readonly fromMm: number;
  readonly toMm: number;
  /** What the sentence says once it is to be so far: what was typed, and what that comes to, mm. */
  typed(distance: Amount, worthMm: number): FieldChange[];
}

/** What hands can do to a step on the solid itself. */
export interface SpaceHandles {
  readonly handles: readonly SpaceHandle[];
  readonly sizes: readonly Sizing[];
  readonly distances: readonly Distance[];
}

/**
 * What can be dragged and typed at a step on the solid. `box` is what the step made and `host` what it is placed on, the box of
 * a point for the plate, where both lay when the step was built.
 */
export function spaceHandlesOf(step: Step, box: Box, host: Box): SpaceHandles {
  const move = movingOf(step, box, host);
  const isUp = !('facing' in step) || normalOf[step.facing].isHigh;
  const across = 'facing' in step ? normalOf[step.facing].axis : 'z';
  const face = faceMiddle(box, across, isUp);
  const handles: SpaceHandle[] = [];
  if (move) {
    const by = (point: Vec3) => move([point[0] - face[0], point[1] - face[1], point[2] - face[2]]);
    handles.push({ kind: 'move', label: say('Move'), at: face, way: { across }, to: by });
    if (isLifted(step, across))
      handles.push({ kind: 'lift', label: say('Lift or lower'), at: face, way: { along: across }, to: by });
  }
  const turning = turningOf(step, box);
  if (turning) {
    const { label, at, to } = turning;
    const over: Vec3 = [at[0], at[1], box.max[2]];
    handles.push({ kind: 'turn', label, at: over, way: { across: 'z' }, to: ([x, y]) => to([x, y]) });
  }
  return { handles, sizes: sizingsOf(step, box), distances: distancesOf(step, box, host) };
}

/** The middle of the side of a box that looks along an axis, to its high end or its low one. */
function faceMiddle({ min, max }: Box, across: Axis, isHigh: boolean): Vec3 {
  const at = axes.map((axis) => {
    const i = axisIndex[axis];
    if (axis !== across) return (min[i] + max[i]) / 2;
    return isHigh ? max[i] : min[i];
  });
  return [at[0], at[1], at[2]];
}

/** Whether a step keeps a distance from the face that it could stand on, or begin at. */
function isLifted(step: Step, across: Axis): boolean {
  if (!('placement' in step)) return false;
  const rule = step.placement[across];
  if (rule.relation === 'centred' || rule.relation === 'share') return true;
  const mm = rule.relation === 'beside' ? rule.overlapMm : rule.mm;
  return !isFormula(mm) && mm !== 0;
}

const DISTANCES: Readonly<Record<Axis, () => string>> = {
  x: () => say('Distance left to right'),
  y: () => say('Distance front to back'),
  z: () => say('Distance from below to above'),
};

/** The distances in the plane in which a step lies that its sentence gives as numbers. */
function distancesOf(step: Step, box: Box, host: Box): Distance[] {
  if (!('placement' in step) || ('free' in step && step.free !== undefined)) return [];
  const { placement: placed } = step;
  if (isCarried(step)) return [];
  const byMiddle = isPlacedByMiddle(step) || ('measuredTo' in step && step.measuredTo === 'axis');
  return spreadAxes(step).flatMap((axis): Distance[] => {
    const rule = placed[axis];
    const i = axisIndex[axis];
    const middle = (box.min[i] + box.max[i]) / 2;
    const own = (edge: 'low' | 'high') => (byMiddle ? middle : edge === 'low' ? box.min[i] : box.max[i]);
    const distance = (mm: number, fromMm: number, toMm: number): Distance => ({
      label: DISTANCES[axis](),
      axis,
      fromMm,
      toMm,
      typed: (typed, worthMm) => [
        // A figure has no sign: what lies to the left of a middle goes on lying there.
        { path: ['placement', axis, 'mm'], value: mm < 0 ? -worthMm : typed },
      ],
    });
    if (rule.relation === 'inFrom' && typeof rule.mm === 'number')
      return [distance(rule.mm, rule.edge === 'low' ? host.min[i] : host.max[i], own(rule.edge))];
    if (rule.relation === 'centred' && typeof rule.mm === 'number')
      return [distance(rule.mm, (host.min[i] + host.max[i]) / 2, middle)];
    return [];
  });
}
