import { inverse, posed, type Pose } from '../../mesh/pose.ts';
import type { Box } from '../../mesh/solidMesh.ts';
import type { Point } from '../../plane/index.ts';
import { isFormula } from '../amount.ts';
import { facesSideways } from '../facing.ts';
import { axisIndex } from '../placement.ts';
import type { FieldPath } from '../sentence.ts';
import type { Step } from '../steps/index.ts';
import { isCarried, movingOf } from './moving.ts';
import { sizingsOf } from './sizings.ts';
import type { Extent, FieldChange, Sizing } from './sizing.ts';
import { say } from '../../words/index.ts';

/** A place on the plan that can be dragged, and what dragging it does to the sentence. */
export interface Handle {
  readonly kind: 'move' | 'size' | 'turn';
  readonly label: string;
  /** Where it is, x to the right and y to the back, mm. */
  readonly at: Point;
  /** The axis along which it can be dragged, if not both. */
  readonly along?: 'x' | 'y';
  /** What the sentence says once it has been dragged to a point. */
  to(point: Point): FieldChange[];
}

/** How far above a step its handle for turning stands, mm. */
const TURN_REACH_MM = 8;

/**
 * The handles of a step on the plan. `box` is what the step made and `host` what it is placed on, the box of a point
 * for the plate. Numbers that are worked out from measures are left alone: they are changed where the measure is.
 */
export function handlesOf(step: Step, box: Box, host: Box): Handle[] {
  const handles: Handle[] = [];
  const middle = middleOf(box);
  // What lies anywhere on an upright face has its place there, and none on the plan.
  const isFreeAside = 'free' in step && step.free && 'facing' in step && facesSideways(step.facing);
  const move = isFreeAside ? undefined : movingOf(step, box, host);
  if (move) {
    const to = ([x, y]: Point) => move([x - middle[0], y - middle[1], 0]);
    handles.push({ kind: 'move', label: say('Move'), at: middle, to });
  }
  for (const of of sizingsOf(step, box)) {
    if (of.axis !== 'z') handles.push(sizeHandle({ ...of, axis: of.axis }, box));
  }
  const turning = turningOf(step, box);
  return turning ? [...handles, turning] : handles;
}

/**
 * Handles where they lie after the whole part was scaled, mirrored and moved; none where it was turned, so that what lay
 * along an axis of the plan does no more, or where no pose says what was done to it.
 */
export function handlesUnder(handles: readonly Handle[], since: Pose | undefined): Handle[] {
  if (!since || [1, 2, 4, 6, 8, 9].some((i) => Math.abs(since[i]) > 1e-9)) return [];
  const back = inverse(since);
  const under = (pose: Pose, [x, y]: Point): Point => {
    const [px, py] = posed(pose, [x, y, 0]);
    return [px, py];
  };
  return handles.map((each) => ({
    ...each,
    at: under(since, each.at),
    to: (point) => each.to(under(back, point)),
  }));
}

/** The handle on the plan that drags a size, at an edge that goes along. */
export function sizeHandle(of: Sizing & { readonly axis: 'x' | 'y' }, box: Extent): Handle {
  const { axis, label, low, high } = of;
  const [end] = of.ends;
  const edge = end === 'high' ? high : low;
  const middle = middleOf(box);
  const at: Point = axis === 'x' ? [edge, middle[1]] : [middle[0], edge];
  return { kind: 'size', label, at, along: axis, to: (point) => of.dragged(end, point[axisIndex[axis]]) };
}

/** The handle that turns a step, where it can be turned as it lies. */
export function turningOf(step: Step, box: Extent): Handle | undefined {
  if (step.kind !== 'extrude' || step.facing !== 'up' || isCarried(step) || isFormula(step.turnDeg))
    return undefined;
  return turnHandle(['turnDeg'], step.turnDeg ?? 0, box);
}

/** The handle that turns what lies in a box, and has been turned already. */
export function turnHandle(path: FieldPath, turnDeg: number, box: Extent): Handle {
  const middle = middleOf(box);
  const radians = ((90 + turnDeg) * Math.PI) / 180;
  const reach = Math.max(box.max[0] - box.min[0], box.max[1] - box.min[1]) / 2 + TURN_REACH_MM;
  const at: Point = [middle[0] + reach * Math.cos(radians), middle[1] + reach * Math.sin(radians)];
  const to = ([x, y]: Point) => {
    const deg = Math.round((Math.atan2(y - middle[1], x - middle[0]) * 180) / Math.PI - 90);
    const turn = ((deg % 360) + 360) % 360;
    return [{ path, value: turn === 0 ? undefined : turn > 180 ? turn - 360 : turn }];
  };
  return { kind: 'turn', label: say('Turn'), at, to };
}

function middleOf({ min, max }: Extent): Point {
  return [(min[0] + max[0]) / 2, (min[1] + max[1]) / 2];
}
