import type { Box } from '../mesh/solidMesh.ts';
import type { Point } from '../plane/index.ts';
import { isFormula } from './amount.ts';
import { axisIndex, type Along, type Placement } from './placement.ts';
import type { FieldPath } from './sentence.ts';
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
/** Numbers that are dragged come out rounded to this, mm. */
const ROUND_MM = 0.1;

/**
 * The handles of a step on the plan. `box` is what the step made and `host` what it is placed on, the box of a point
 * for the plate. Numbers that are worked out from measures are left alone: they are changed where the measure is.
 */
export function handlesOf(step: Step, box: Box, host: Box): Handle[] {
  const handles: Handle[] = [];
  const placed = 'placement' in step ? step.placement : undefined;
  const isFree = 'free' in step && step.free !== undefined;
  const middle: Point = [(box.min[0] + box.max[0]) / 2, (box.min[1] + box.max[1]) / 2];
  if (placed && !isFree) {
    const to = ([x, y]: Point) => [
      ...moved(placed, 'x', x - middle[0], host),
      ...moved(placed, 'y', y - middle[1], host),
    ];
    handles.push({ kind: 'move', label: say('Move'), at: middle, to });
  }
  for (const { path, axis } of sizesOf(step)) {
    const value = fieldAt(step, path);
    if (typeof value !== 'number') continue;
    const i = axisIndex[axis];
    const [low, high] = [box.min[i], box.max[i]];
    const anchor = anchorOf(placed?.[axis]);
    // The edge that the placement does not hold is the one to drag; a centred thing grows to both sides.
    const isLow = anchor === 'high';
    const at: Point = axis === 'x' ? [isLow ? low : high, middle[1]] : [middle[0], isLow ? low : high];
    const to = (point: Point) => {
      const out = isLow ? low - point[i] : point[i] - high;
      const extent = high - low + (anchor === 'middle' ? 2 * out : out);
      return [{ path, value: Math.max(0.1, rounded((value * extent) / (high - low))) }];
    };
    handles.push({
      kind: 'size',
      label: axis === 'x' ? say('Size left to right') : say('Size front to back'),
      at,
      along: axis,
      to,
    });
  }
  if (step.kind === 'extrude' && step.facing === 'up' && !isFormula(step.turnDeg)) {
    const turnDeg = step.turnDeg ?? 0;
    const radians = ((90 + turnDeg) * Math.PI) / 180;
    const reach = Math.max(box.max[0] - box.min[0], box.max[1] - box.min[1]) / 2 + TURN_REACH_MM;
    const at: Point = [middle[0] + reach * Math.cos(radians), middle[1] + reach * Math.sin(radians)];
    const to = ([x, y]: Point) => {
      const deg = Math.round((Math.atan2(y - middle[1], x - middle[0]) * 180) / Math.PI - 90);
      const turn = ((deg % 360) + 360) % 360;
      return [{ path: ['turnDeg'], value: turn === 0 ? undefined : turn > 180 ? turn - 360 : turn }];
    };
    handles.push({ kind: 'turn', label: say('Turn'), at, to });
  }
  return handles;
}

/** What an along says once the thing has been moved by mm along its axis. */
export function movedAlong(rule: Along, byMm: number, hostMm: number): Along {
  switch (rule.relation) {
    case 'centred': {
      const mm = isFormula(rule.mm) ? rule.mm : rounded((rule.mm ?? 0) + byMm);
      return mm === 0 ? { relation: 'centred' } : { relation: 'centred', mm };
    }
    case 'inFrom':
      if (isFormula(rule.mm)) return rule;
      return { ...rule, mm: rounded(rule.mm + (rule.edge === 'low' ? byMm : -byMm)) };
    case 'beside':
      if (isFormula(rule.overlapMm)) return rule;
      return { ...rule, overlapMm: rounded(rule.overlapMm + (rule.edge === 'low' ? byMm : -byMm)) };
    case 'share':
      if (isFormula(rule.percent) || hostMm <= 0) return rule;
      return { ...rule, percent: Math.min(100, Math.max(0, rounded(rule.percent + (100 * byMm) / hostMm))) };
    case 'at':
      return isFormula(rule.mm) ? rule : { ...rule, mm: rounded(rule.mm + byMm) };
  }
}

function moved(placed: Placement, axis: 'x' | 'y', byMm: number, host: Box): FieldChange[] {
  const i = axisIndex[axis];
  const rule = movedAlong(placed[axis], byMm, host.max[i] - host.min[i]);
  return rounded(byMm) === 0 ? [] : [{ path: ['placement', axis], value: rule }];
}

/** The edge of a thing that its placement holds. */
function anchorOf(rule: Along | undefined): 'low' | 'middle' | 'high' {
  if (rule?.relation === 'inFrom') return rule.edge;
  if (rule?.relation === 'beside') return rule.edge === 'low' ? 'high' : 'low';
  return rule?.relation === 'at' ? rule.own : 'middle';
}

function fieldAt(data: unknown, path: FieldPath): unknown {
  return path.reduce<unknown>(
    (inner, key) => (inner as Record<string | number, unknown> | undefined)?.[key],
    data,
  );
}

function rounded(mm: number): number {
  return Math.round(Math.round(mm / ROUND_MM) * ROUND_MM * 1000) / 1000;
}
