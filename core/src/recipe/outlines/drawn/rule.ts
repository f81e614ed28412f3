import * as z from 'zod';
import type { Relation } from '../../../drawing/index.ts';
import { angle, distance, length, type Resolved } from '../../amount.ts';
import { nodeId, type PlainNode } from './node.ts';

const two = z.tuple([nodeId, nodeId]);

/**
 * What has to hold in a drawing when its numbers change. Points are named by their id, an edge by that of the point where it
 * begins.
 */
export const rule = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('apart'),
    points: two,
    measured: z.enum(['straight', 'across', 'up']),
    lengthMm: length(0),
  }),
  z.strictObject({ kind: z.enum(['level', 'upright']), points: two }),
  z.strictObject({ kind: z.enum(['parallel', 'square', 'equal', 'touching', 'sameCentre']), edges: two }),
  z.strictObject({ kind: z.literal('slant'), edge: nodeId, degrees: angle(-180, 180) }),
  z.strictObject({
    kind: z.literal('angle'),
    points: z.tuple([nodeId, nodeId, nodeId]),
    degrees: angle(0, 180),
  }),
  z.strictObject({ kind: z.literal('radius'), edge: nodeId, radiusMm: length() }),
  z.strictObject({ kind: z.literal('symmetric'), points: two, mirror: nodeId.optional() }),
  z.strictObject({
    kind: z.literal('held'),
    point: nodeId,
    xMm: distance().optional(),
    yMm: distance().optional(),
  }),
  z.strictObject({ kind: z.literal('onAxis'), point: nodeId }),
  z.strictObject({ kind: z.literal('inMiddle'), point: nodeId, edge: nodeId }),
  z.strictObject({ kind: z.literal('beside'), point: nodeId, edge: nodeId, gapMm: length(0) }),
]);
export type Rule = z.infer<typeof rule>;

/** More rules than any drawing needs; solving them all takes less than a second. */
export const MOST_RULES = 120;

/** The ids that a rule names: of points, and of the points where its edges begin. */
export function namedBy(rule: Rule | Resolved<Rule>): { points: string[]; edges: string[] } {
  const points = 'points' in rule ? [...rule.points] : 'point' in rule ? [rule.point] : [];
  const edges = 'edges' in rule ? [...rule.edges] : 'edge' in rule ? [rule.edge] : [];
  return { points, edges: 'mirror' in rule && rule.mirror !== undefined ? [...edges, rule.mirror] : edges };
}

/** A rule as a relation between points and edges by their index; undefined where it names a point that is gone. */
export function relationOf(rule: Resolved<Rule>, nodes: readonly PlainNode[]): Relation | undefined {
  const at = (id: string) => nodes.findIndex((node) => node.id === id);
  const { points, edges } = namedBy(rule);
  if ([...points, ...edges].some((id) => at(id) < 0)) return undefined;
  return renamed(rule, at) as Relation;
}

/** A rule whose points and edges are named another way, by their index or their id; all other fields stay. */
export function renamed<From, To>(rule: object, nameOf: (from: From) => To): object {
  const named = Object.entries(rule).map(([field, value]) => {
    if (field === 'points' || field === 'edges') return [field, (value as From[]).map(nameOf)];
    if (field === 'point' || field === 'edge' || field === 'mirror') return [field, nameOf(value as From)];
    return [field, value];
  });
  return Object.fromEntries(named) as object;
}
