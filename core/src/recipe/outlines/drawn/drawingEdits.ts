import { evaluateAmount } from '../../measures.ts';
import { isFormula, type Amount } from '../../amount.ts';
import type { Node, PlainNode } from './node.ts';
import { namedBy, renamed, type Rule } from './rule.ts';

/** The parts of a drawing that edits of its points and rules change. */
export interface Ruled {
  readonly nodes: readonly Node[];
  readonly rules?: readonly Rule[] | undefined;
}

/** An id is a point's index instead; all other values are as they were. */
type IndexFor<Value> = string extends Value
  ? number
  : Value extends readonly unknown[]
    ? { [K in keyof Value]: IndexFor<Value[K]> }
    : Value;
type ByIndex<Each> = Each extends Rule ? { [K in keyof Each]: IndexFor<Each[K]> } : never;

/** A rule whose points and edges are named by their index, before they have ids. */
export type Asked = ByIndex<Rule>;

/**
 * A drawing with one more rule. Points that it names get ids. Coordinates that are worked out become rules of their own,
 * since places without a rule are only where a drawing begins from.
 */
export function withRule(drawing: Ruled, asked: Asked, measures: ReadonlyMap<string, number>): Ruled {
  const worked = drawing.nodes.flatMap((node, point): Asked[] => {
    const x = isFormula(node.xMm) ? { xMm: node.xMm } : {};
    const y = isFormula(node.yMm) ? { yMm: node.yMm } : {};
    return 'xMm' in x || 'yMm' in y ? [{ kind: 'held', point, ...x, ...y }] : [];
  });
  const begun: Ruled = {
    ...drawing,
    nodes: drawing.nodes.map((node) => ({
      ...node,
      xMm: worth(node.xMm, measures),
      yMm: worth(node.yMm, measures),
    })),
  };
  return [...worked, asked].reduce(ruledBy, begun);
}

function ruledBy(drawing: Ruled, asked: Asked): Ruled {
  const ids = [...drawing.nodes.map(({ id }) => id)];
  const idOf = (index: number): string => {
    const kept = ids[index];
    if (kept !== undefined) return kept;
    const fresh = freshId(ids);
    ids[index] = fresh;
    return fresh;
  };
  const rule = renamed(asked, idOf) as Rule;
  const nodes = drawing.nodes.map((node, i) => (ids[i] === undefined ? node : { ...node, id: ids[i] }));
  return { ...drawing, nodes, rules: [...(drawing.rules ?? []), rule] };
}

/** The first id that no point has: p1, p2 … */
function freshId(taken: readonly (string | undefined)[]): string {
  let number = 1;
  while (taken.includes(`p${number}`)) number++;
  return `p${number}`;
}

/** A drawing without one of its points. Rules that name the point, or an edge that ended there, go with it. */
export function withoutNode(drawing: Ruled, index: number): Ruled {
  const before = (index + drawing.nodes.length - 1) % drawing.nodes.length;
  const gone = drawing.nodes[index].id;
  const shortened = drawing.nodes[before].id;
  return withoutEmpty({
    ...drawing,
    nodes: drawing.nodes.toSpliced(index, 1),
    rules: drawing.rules?.filter((rule) => {
      const { points, edges } = namedBy(rule);
      return ![...points, ...edges].some((id) => id === gone) && !edges.some((id) => id === shortened);
    }),
  });
}

/**
 * A drawing with a point put into one of its edges, which becomes two straight ones. Rules of the whole edge's length, level
 * or direction go on holding for its ends; those that name it as an edge go.
 */
export function withNodeAfter(drawing: Ruled, index: number, at: PlainNode): Ruled {
  const { bend: _straight, ...from } = drawing.nodes[index];
  return withoutEmpty({
    ...drawing,
    nodes: drawing.nodes.with(index, from).toSpliced(index + 1, 0, at),
    rules: drawing.rules?.filter((rule) => !namedBy(rule).edges.some((id) => id === from.id)),
  });
}

/** A drawing without one of its rules; its points stay where they are. */
export function withoutRule(drawing: Ruled, index: number): Ruled {
  return withoutEmpty({ ...drawing, rules: drawing.rules?.toSpliced(index, 1) });
}

function withoutEmpty({ rules, ...rest }: Ruled): Ruled {
  return rules && rules.length > 0 ? { ...rest, rules } : rest;
}

function worth(value: Amount, measures: ReadonlyMap<string, number>): number {
  const worked = evaluateAmount(value, measures);
  return worked.ok ? worked.value : 0;
}
