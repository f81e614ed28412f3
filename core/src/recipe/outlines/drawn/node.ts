import * as z from 'zod';
import type { Point } from '../../../plane/index.ts';
import { distance, percent, type Resolved } from '../../amount.ts';

/** What a point is called by rules of its drawing; only those that a rule names have one. */
export const nodeId = z.string().min(1).max(12);

/**
 * A point of a drawn outline; `bend` bends the edge that leaves it: 0 % is straight, ±100 % a half circle, and beyond that
 * the arc grows towards a whole one.
 */
export const node = z.strictObject({
  id: nodeId.optional(),
  xMm: distance(),
  yMm: distance(),
  bend: percent(-1000, 1000).optional(),
});
export type Node = z.infer<typeof node>;
export type PlainNode = Resolved<Node>;

export function pointOf({ xMm, yMm }: PlainNode): Point {
  return [xMm, yMm];
}
