import * as z from 'zod';
import type { Box } from '../mesh/solidMesh.ts';

/** Left to right is x, front to back is y. */
export type Axis = 'x' | 'y';

/** Lengths that a position may have; generous, so that a limit is a matter for the inspection and not for typing. */
export const distanceMm = z.number().min(-1000).max(1000);

/** Where something lies along one axis of the thing it is placed on. */
export const along = z.discriminatedUnion('relation', [
  z.strictObject({ relation: z.literal('centred') }),
  z.strictObject({ relation: z.literal('inFrom'), edge: z.enum(['low', 'high']), mm: distanceMm }),
]);
export type Along = z.infer<typeof along>;

/** The id of a step, or the plate itself. */
export const target = z.union([
  z.strictObject({ plate: z.literal(true) }),
  z.strictObject({ step: z.string().min(1).max(40) }),
]);
export type Target = z.infer<typeof target>;

/**
 * A position as relations to an earlier step or to the plate, so that a changed size keeps the design whole:
 * "6 mm in from the left and centred front to back on step 1".
 */
export const placement = z.strictObject({ on: target, x: along, y: along });
export type Placement = z.infer<typeof placement>;

/** Centred both ways on a step, or on the plate when none is given. */
export function centredOn(step?: string): Placement {
  return {
    on: step === undefined ? { plate: true } : { step },
    x: { relation: 'centred' },
    y: { relation: 'centred' },
  };
}

const axisIndex = { x: 0, y: 1 } as const;

/**
 * How far to move something along one axis, in mm.
 *
 * `own` is its extent before the move; `host` the box of what it is placed on, or undefined for the plate, whose
 * middle is the origin. "In from an edge" is measured from the host's edge to the nearest edge of `own`; pass an
 * `own` of no width to measure to a middle, as holes do. A negative distance sticks out beyond the edge.
 */
export function shiftAlong(axis: Axis, rule: Along, own: { low: number; high: number }, host?: Box): number {
  const hostLow = host ? host.min[axisIndex[axis]] : 0;
  const hostHigh = host ? host.max[axisIndex[axis]] : 0;
  if (rule.relation === 'centred') return (hostLow + hostHigh) / 2 - (own.low + own.high) / 2;
  return rule.edge === 'low' ? hostLow + rule.mm - own.low : hostHigh - rule.mm - own.high;
}

/** The trade words of the two edges along an axis. */
export const edgeWords = {
  x: { low: 'left', high: 'right', both: 'left to right' },
  y: { low: 'front', high: 'back', both: 'front to back' },
} as const;
