import type { Box } from '../mesh/solidMesh.ts';
import type { Point } from '../plane/index.ts';
import { isFormula } from './amount.ts';
import { facesSideways } from './facing.ts';
import { movedAlong, rounded } from './movedAlong.ts';
import type { SizeField } from './outlines/outlineKind.ts';
import { axisIndex, type Along, type Placement } from './placement.ts';
import { fieldAt, type FieldPath } from './sentence.ts';
import { sizesOf, type Step } from './steps/index.ts';
import { say } from '../words/index.ts';

/** A change of one field. */
export interface FieldChange {
  readonly path: FieldPath;
  readonly value: unknown;
}

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
  const placed = 'placement' in step ? step.placement : undefined;
  const carriedDeg = typeof placed?.aroundDeg === 'number' ? placed.aroundDeg : 0;
  // What is measured to its axis grows to all sides of it.
  const isToAxis = 'measuredTo' in step && step.measuredTo === 'axis';
  const isFree = 'free' in step && step.free !== undefined;
  const isFitted = 'lettering' in step && step.lettering.size.by === 'room';
  const middle = middleOf(box);
  if (placed && isFree && carriedDeg === 0 && !isSideways(step)) {
    const to = (point: Point) => [{ path: ['free'], value: undefined }, ...put(point, host)];
    handles.push({ kind: 'move', label: say('Move'), at: middle, to });
  }
  if (placed && !isFree && !isFitted && !isFormula(placed.aroundDeg)) {
    // What was carried around is moved as it lay before.
    const back = (-carriedDeg * Math.PI) / 180;
    const to = ([x, y]: Point) => {
      const [dx, dy] = [x - middle[0], y - middle[1]];
      return [
        ...moved(placed, 'x', dx * Math.cos(back) - dy * Math.sin(back), host),
        ...moved(placed, 'y', dx * Math.sin(back) + dy * Math.cos(back), host),
      ];
    };
    handles.push({ kind: 'move', label: say('Move'), at: middle, to });
  }
  // Its sizes do not lie along the axes of the plan then.
  for (const { path, axis } of carriedDeg === 0 ? sizesOf(step) : []) {
    const value = fieldAt(step, path);
    if (typeof value !== 'number') continue;
    handles.push(sizeHandle({ path, axis }, value, box, isToAxis ? undefined : placed?.[axis]));
  }
  if (step.kind === 'extrude' && step.facing === 'up' && carriedDeg === 0 && !isFormula(step.turnDeg)) {
    handles.push(turnHandle(['turnDeg'], step.turnDeg ?? 0, box));
  }
  return handles;
}

/** What is seen from above of a box. */
type Seen = { readonly min: readonly number[]; readonly max: readonly number[] };

/** The handle that drags a size of something that lies in a box, held there as `rule` says. */
export function sizeHandle(
  { path, axis }: SizeField,
  value: number,
  box: Seen,
  rule: Along | undefined,
): Handle {
  const i = axisIndex[axis];
  const [low, high] = [box.min[i], box.max[i]];
  const middle = middleOf(box);
  const anchor = anchorOf(rule);
  // The edge that the placement does not hold is the one to drag; a centred thing grows to both sides.
  const isLow = anchor === 'high';
  const at: Point = axis === 'x' ? [isLow ? low : high, middle[1]] : [middle[0], isLow ? low : high];
  const to = (point: Point) => {
    const out = isLow ? low - point[i] : point[i] - high;
    const extent = high - low + (anchor === 'middle' ? 2 * out : out);
    return [{ path, value: Math.max(0.1, rounded((value * extent) / (high - low))) }];
  };
  const label = axis === 'x' ? say('Size left to right') : say('Size front to back');
  return { kind: 'size', label, at, along: axis, to };
}

/** The handle that turns what lies in a box, and has been turned already. */
export function turnHandle(path: FieldPath, turnDeg: number, box: Seen): Handle {
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

function middleOf({ min, max }: Seen): Point {
  return [(min[0] + max[0]) / 2, (min[1] + max[1]) / 2];
}

function moved(placed: Placement, axis: 'x' | 'y', byMm: number, host: Box): FieldChange[] {
  const i = axisIndex[axis];
  const rule = movedAlong(placed[axis], byMm, host.max[i] - host.min[i]);
  return rounded(byMm) === 0 ? [] : [{ path: ['placement', axis], value: rule }];
}

function isSideways(step: Step): boolean {
  return 'facing' in step && facesSideways(step.facing);
}

/** What is put at a point of what it is on, by its middle. */
function put(point: Point, host: Box): FieldChange[] {
  const from = middleOf(host);
  const axes = ['x', 'y'] as const;
  return axes.map((axis, i) => {
    const mm = rounded(point[i] - from[i]);
    return { path: ['placement', axis], value: { relation: 'centred', ...(mm === 0 ? {} : { mm }) } };
  });
}

/** The edge of a thing that its placement holds. */
function anchorOf(rule: Along | undefined): 'low' | 'middle' | 'high' {
  if (rule?.relation === 'inFrom') return rule.edge;
  if (rule?.relation === 'beside') return rule.edge === 'low' ? 'high' : 'low';
  return rule?.relation === 'at' ? rule.own : 'middle';
}
