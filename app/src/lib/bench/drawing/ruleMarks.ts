import { formatMeasured, namedBy, type PlainNode, type Point, type Rule } from '@kelbrin/core/recipe';

/** What a rule shows on the sheet; `rule` is its index. */
export type RuleMark =
  | {
      readonly kind: 'length';
      readonly rule: number;
      readonly from: Point;
      readonly to: Point;
      readonly mm: number;
      /** Whether it is that of an edge, beside which it stands. */
      readonly isEdge: boolean;
    }
  | {
      readonly kind: 'sign';
      readonly rule: number;
      readonly at: Point;
      readonly sign: string;
      /** How many signs stand at this place already. */
      readonly place: number;
    };

/** The signs of geometry for what needs no dimension line. */
const signs: Readonly<Partial<Record<Rule['kind'], string>>> = {
  level: '—',
  upright: '|',
  parallel: '∥',
  square: '⊥',
  equal: '=',
  touching: '⌒',
  sameCentre: '◎',
  held: '⊡',
  onAxis: '¦',
  inMiddle: '·|·',
};

/** Where the rules of a drawing are shown, and how. */
export function ruleMarks(rules: readonly Rule[], nodes: readonly PlainNode[]): RuleMark[] {
  const marks: RuleMark[] = [];
  const index = (id: string) => nodes.findIndex((node) => node.id === id);
  const point = (i: number): Point => [nodes[i].xMm, nodes[i].yMm];
  const middle = (a: number, b: number): Point => [
    (nodes[a].xMm + nodes[b].xMm) / 2,
    (nodes[a].yMm + nodes[b].yMm) / 2,
  ];
  const sign = (rule: number, at: Point, words: string) => {
    const place = marks.filter(
      (each) => each.kind === 'sign' && each.at[0] === at[0] && each.at[1] === at[1],
    );
    marks.push({ kind: 'sign', rule, at, sign: words, place: place.length });
  };
  rules.forEach((rule, k) => {
    const named = namedBy(rule);
    const [points, edges] = [named.points.map(index), named.edges.map(index)];
    if ([...points, ...edges].some((i) => i < 0)) return;
    const next = (edge: number) => (edge + 1) % nodes.length;
    if (rule.kind === 'apart') {
      const [from, to] = points.map(point);
      const isStraight = rule.measured === 'straight';
      // Across and up are measured to the corner between the two points.
      const end: Point = isStraight ? to : rule.measured === 'across' ? [to[0], from[1]] : [from[0], to[1]];
      const mm = Math.hypot(end[0] - from[0], end[1] - from[1]);
      marks.push({ kind: 'length', rule: k, from, to: end, mm, isEdge: next(points[0]) === points[1] });
    } else if (rule.kind === 'radius')
      sign(k, middle(edges[0], next(edges[0])), `R ${written(rule.radiusMm)}`);
    else if (rule.kind === 'slant') sign(k, middle(edges[0], next(edges[0])), `${written(rule.degrees)}°`);
    else if (rule.kind === 'angle') sign(k, point(points[1]), `${written(rule.degrees)}°`);
    else if (rule.kind === 'beside') sign(k, point(points[0]), written(rule.gapMm));
    else if (rule.kind === 'symmetric') for (const i of points) sign(k, point(i), '⇋');
    else if (rule.kind === 'level' || rule.kind === 'upright')
      sign(k, middle(points[0], points[1]), signs[rule.kind]!);
    else {
      for (const edge of edges) sign(k, middle(edge, next(edge)), signs[rule.kind] ?? '');
      for (const i of points) sign(k, point(i), signs[rule.kind] ?? '');
    }
  });
  return marks;
}

function written(value: number | { readonly formula: string }): string {
  return typeof value === 'number' ? formatMeasured(value) : value.formula;
}
