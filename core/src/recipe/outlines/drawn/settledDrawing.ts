import { clashOf, settled, type Figure, type Relation } from '../../../drawing/index.ts';
import type { Resolved } from '../../amount.ts';
import { pointOf, type PlainNode } from './node.ts';
import { relationOf, type Rule } from './rule.ts';

/** A drawing as it is once its rules hold, or why they cannot. */
export type SettledDrawing =
  | { readonly ok: true; readonly nodes: readonly PlainNode[] }
  /** A rule names a point that is gone. */
  | { readonly ok: false; readonly gone: number }
  /** Rules that cannot hold together, the newest last. */
  | { readonly ok: false; readonly clash: readonly number[] };

export interface PlainDrawing {
  readonly nodes: readonly PlainNode[];
  readonly rules?: readonly Resolved<Rule>[] | undefined;
  /** Whether it is one half beside the line x = 0, to be mirrored or turned about it. */
  readonly isHalf: boolean;
}

/** Points on the axis of a half stay there, within this, mm. */
const ON_AXIS_MM = 0.01;

/** The points of a drawing moved so that its rules hold; without rules they are as they were drawn. */
export function settledDrawing(drawing: PlainDrawing): SettledDrawing {
  const { nodes, rules = [] } = drawing;
  if (rules.length === 0) return { ok: true, nodes };
  const relations = relationsOf(drawing);
  const gone = relations.findIndex((relation) => relation === undefined);
  if (gone >= 0) return { ok: false, gone };
  const asked = [...axisRelations(drawing), ...(relations as Relation[])];
  const figure = figureOf(nodes);
  const { figure: made, unmet } = settled(figure, asked);
  if (unmet.length === 0) return { ok: true, nodes: withPlaces(nodes, made) };
  const own = asked.length - rules.length;
  const clash = clashOf(figure, asked)
    .filter((k) => k >= own)
    .map((k) => k - own);
  return { ok: false, clash };
}

/** The rules of a drawing as relations, undefined for each that names a point that is gone. */
export function relationsOf({ nodes, rules = [] }: PlainDrawing): (Relation | undefined)[] {
  return rules.map((rule) => relationOf(rule, nodes));
}

/** What holds in a half by itself: one that ends on the axis goes on ending there. */
export function axisRelations({ nodes, isHalf }: PlainDrawing): Relation[] {
  if (!isHalf) return [];
  return nodes.flatMap(({ xMm }, point): Relation[] =>
    Math.abs(xMm) <= ON_AXIS_MM ? [{ kind: 'onAxis', point }] : [],
  );
}

export function figureOf(nodes: readonly PlainNode[]): Figure {
  return { points: nodes.map(pointOf), bends: nodes.map(({ bend }) => (bend ?? 0) / 100) };
}

/** The nodes with the places and bends of a figure; edges without a bend stay without. */
export function withPlaces(nodes: readonly PlainNode[], { points, bends }: Figure): PlainNode[] {
  return nodes.map(({ bend, ...rest }, i) => ({
    ...rest,
    xMm: points[i][0],
    yMm: points[i][1],
    ...(bend === undefined ? {} : { bend: 100 * bends[i] }),
  }));
}
