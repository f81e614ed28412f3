import * as z from 'zod';
import type { Box, Vec3 } from '../mesh/solidMesh.ts';
import type { Range } from '../plane/index.ts';
import { angle, distance, percent, type Resolved } from './amount.ts';
import { said } from '../words/index.ts';

/** Left to right is x, front to back is y, upwards is z. */
export type Axis = 'x' | 'y' | 'z';
export const axes = ['x', 'y', 'z'] as const;

/** The place of an axis in a point. */
export const axisIndex = { x: 0, y: 1, z: 2 } as const;

const edge = z.enum(['low', 'high']);

/** Where something lies along one axis of another thing. */
const hosted = [
  /** Middle on middle, moved by `mm` if there is any. */
  z.strictObject({ relation: z.literal('centred'), mm: distance().optional() }),
  /** Its edge inside the same edge of the host; negative sticks out. */
  z.strictObject({ relation: z.literal('inFrom'), edge, mm: distance() }),
  /** Outside an edge of the host, reaching into it by an overlap. */
  z.strictObject({ relation: z.literal('beside'), edge, overlapMm: distance() }),
  /** Its middle at a share of the way from the low edge of the host to the high one. */
  z.strictObject({ relation: z.literal('share'), percent: percent() }),
] as const;
export const alongHost = z.discriminatedUnion('relation', hosted);
export type AlongHost = z.infer<typeof alongHost>;

/** Where something lies along one axis of the thing it is placed on, or of the plate. */
export const along = z.discriminatedUnion('relation', [
  ...hosted,
  /** At a distance from the plate's middle (or its surface), whatever the host: its low edge, middle or high edge. */
  z.strictObject({ relation: z.literal('at'), own: z.enum(['low', 'middle', 'high']), mm: distance() }),
]);
export type Along = z.infer<typeof along>;

/** The id of a step. */
export const stepRef = z.strictObject({ step: z.string().min(1).max(40) });
export type StepRef = z.infer<typeof stepRef>;

/** A step, or the plate itself. */
export const target = z.union([z.strictObject({ plate: z.literal(true) }), stepRef]);
export type Target = z.infer<typeof target>;

/**
 * A position as relations to an earlier step or to the plate, so that a changed size keeps the design whole:
 * "6 mm in from the left and centred front to back on step 1".
 */
export const placement = z.strictObject({
  on: target,
  x: along,
  y: along,
  z: along,
  /** From where that is, carried around the upright middle of the host, and turned with it: to the left seen from above. */
  aroundDeg: angle().optional(),
});
export type Placement = z.infer<typeof placement>;

/** On the plate, measured upwards from it. */
export const fromPlate: Along = { relation: 'at', own: 'low', mm: 0 };
/** Standing on the top of the host. */
export const onTop: Along = { relation: 'beside', edge: 'high', overlapMm: 0 };
/** Reaching down from the top of the host. */
export const downFromTop: Along = { relation: 'inFrom', edge: 'high', mm: 0 };
export const centredAlong: Along = { relation: 'centred' };

/** Centred both ways on a step, or on the plate when none is given. */
export function centredOn(step: string | undefined, z: Along): Placement {
  return { on: step === undefined ? { plate: true } : { step }, x: centredAlong, y: centredAlong, z };
}

/**
 * How far to move something along one axis, in mm.
 *
 * `own` is its range before the move; `host` the range of what it is placed on: a point at 0 for the plate, whose
 * middle is the origin. Pass an `own` of no width to measure to a middle, as holes do.
 */
export function shiftAlong(rule: Resolved<Along>, own: Range, host: Range): number {
  const middle = (own.low + own.high) / 2;
  switch (rule.relation) {
    case 'centred':
      return (host.low + host.high) / 2 + (rule.mm ?? 0) - middle;
    case 'inFrom':
      return rule.edge === 'low' ? host.low + rule.mm - own.low : host.high - rule.mm - own.high;
    case 'beside':
      return rule.edge === 'low'
        ? host.low + rule.overlapMm - own.high
        : host.high - rule.overlapMm - own.low;
    case 'share':
      return host.low + ((host.high - host.low) * rule.percent) / 100 - middle;
    case 'at':
      return rule.mm - (rule.own === 'low' ? own.low : rule.own === 'high' ? own.high : middle);
  }
}

/** How far to move something of the given box so that it lies as a placement says. */
export function shiftFor(placed: Resolved<Placement>, own: Box, host: Box): Vec3 {
  const [x, y, z] = axes.map((axis) => shiftAlong(placed[axis], rangeOf(own, axis), rangeOf(host, axis)));
  return [x, y, z];
}

/** The box of the plate as something to be placed on. */
export const plateBox: Box = { min: [0, 0, 0], max: [0, 0, 0] };

/** The extent of a box along an axis. */
export function rangeOf(box: Box, axis: Axis): Range {
  return { low: box.min[axisIndex[axis]], high: box.max[axisIndex[axis]] };
}

/** The trade words of the two edges along an axis. */
export const edgeWords = said({
  x: { low: 'left', high: 'right', both: 'left to right', beyond: 'right of', short: 'left of' },
  y: { low: 'front', high: 'back', both: 'front to back', beyond: 'behind', short: 'in front of' },
  z: { low: 'bottom', high: 'top', both: 'bottom to top', beyond: 'above', short: 'below' },
} as const);
