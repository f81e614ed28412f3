import * as z from 'zod';
import {
  bentEdge,
  counterClockwise,
  crossingOf,
  cubic,
  withoutRepeats,
  type Outline,
  type Point,
  type Region,
} from '../../plane/index.ts';
import { formatNumber, type Resolved } from '../amount.ts';
import { choice, plainSentence, text } from '../sentence.ts';
import type { OutlineKind, OutlineKit } from './outlineKind.ts';
import { say, sayList } from '../../words/index.ts';
import { asideIf } from '../shortSentence.ts';
import { node, pointOf, type PlainNode } from './drawn/node.ts';
import { MOST_RULES, rule } from './drawn/rule.ts';
import { ruleTokens } from './drawn/ruleWords.ts';
import { settledDrawing } from './drawn/settledDrawing.ts';

export const schema = z.strictObject({
  shape: z.literal('points'),
  nodes: z.array(node).max(400),
  /** Whether the last point joins the first; while it is drawn it does not. */
  closed: z.boolean(),
  /** One curve through all points, as drawn by a free hand, instead of edges between them. */
  smooth: z.boolean(),
  /** Only one half is drawn, beside the line x = 0; the other is its mirror image. */
  mirrored: z.boolean(),
  /** What has to hold between the points, whatever the numbers; without rules they lie where they were drawn. */
  rules: z.array(rule).max(MOST_RULES).optional(),
});

export type PointsOutline = z.infer<typeof schema>;

/** How far two ends may lie apart and still count as joined, mm. */
const JOINED_MM = 0.01;

export const points: OutlineKind<PointsOutline> = {
  shape: 'points',
  get label() {
    return say('a drawn outline');
  },
  get words() {
    return say('draw own freehand line path leaf');
  },
  create: (across) => ({
    shape: 'points',
    nodes: [
      { xMm: -across / 2, yMm: -across / 3 },
      { xMm: across / 2, yMm: -across / 3 },
      { xMm: 0, yMm: across / 2 },
    ],
    closed: true,
    smooth: false,
    mirrored: false,
  }),
  tokens: (outline, path) => [
    { type: 'drawing', path, label: say('Draw the outline on the plan'), kind: 'points' },
    text(
      outline.rules
        ? say('with {count} points and {rules} rules', {
            count: outline.nodes.length,
            rules: outline.rules.length,
          })
        : say('with {count} points', { count: outline.nodes.length }),
    ),
    ...asideIf(
      !outline.smooth,
      text(','),
      choice(
        [...path, 'smooth'],
        'edges',
        [
          { label: 'joined by edges', value: false },
          { label: 'joined by one smooth curve', value: true },
        ],
        ({ value }) => value === outline.smooth,
      ),
    ),
    ...asideIf(
      !outline.mirrored,
      text(','),
      choice(
        [...path, 'mirrored'],
        'mirroring',
        [
          { label: 'as drawn', value: false },
          { label: 'and its mirror image', value: true },
        ],
        ({ value }) => value === outline.mirrored,
      ),
    ),
  ],
  region: (outline, kit) => drawnRegion(outline, kit, outline.mirrored),
};

/** The area of a drawn outline; `isHalf` where it is one half beside an axis, to be mirrored or turned. */
export function drawnRegion(outline: Resolved<PointsOutline>, kit: OutlineKit, isHalf: boolean): Region {
  const { closed, smooth, mirrored } = outline;
  const nodes = nodesByRules(outline, kit, isHalf);
  if (nodes.length < (mirrored ? 2 : 3))
    kit.fail(['nodes'], say('The outline has too few points: put at least three.'));
  const all = mirrored ? mirrorOf(nodes) : nodes;
  if (!closed && !mirrored) {
    const [first, last] = [pointOf(nodes[0]), pointOf(nodes.at(-1)!)];
    const gap = Math.hypot(first[0] - last[0], first[1] - last[1]);
    if (gap > JOINED_MM) {
      const message = say(
        'The outline is not closed: a gap of {gap} mm is left between its ends. Click the first point again.',
        { gap: formatNumber(gap) },
      );
      kit.fail(['nodes'], message, [(first[0] + last[0]) / 2, (first[1] + last[1]) / 2]);
    }
  }
  const drawn = withoutRepeats(smooth ? smoothCurve(all.map(pointOf)) : edges(all), JOINED_MM / 10);
  if (drawn.length < 3) kit.fail(['nodes'], say('The outline has too few points: put at least three.'));
  const crossing = crossingOf([drawn]);
  if (crossing) {
    const at = crossing.map((mm) => formatNumber(Math.round(mm * 10) / 10)).join(', ');
    kit.fail(
      ['nodes'],
      say('The outline crosses itself at {at}: move a point so that the lines do not cross.', { at }),
      crossing,
    );
  }
  return [counterClockwise(drawn)];
}

/** Where the points lie once the rules of the drawing hold. */
function nodesByRules(
  outline: Resolved<PointsOutline>,
  kit: OutlineKit,
  isHalf: boolean,
): readonly PlainNode[] {
  const made = settledDrawing({ ...outline, isHalf });
  if (made.ok) return made.nodes;
  const { nodes, rules = [] } = outline;
  const wordsOf = (k: number) => plainSentence(ruleTokens(rules[k], nodes, []));
  if ('gone' in made)
    return kit.fail(
      ['rules', made.gone],
      say('A rule of the drawing names a point that is gone: “{rule}”. Take the rule away.', {
        rule: wordsOf(made.gone),
      }),
    );
  if (made.clash.length === 0)
    return kit.fail(['rules'], say('The rules of the drawing cannot all hold: take one away.'));
  return kit.fail(
    ['rules', made.clash.at(-1)!],
    made.clash.length === 1
      ? say('This cannot be drawn: “{rule}”. Change it, or take the rule away.', {
          rule: wordsOf(made.clash[0]),
        })
      : say('These cannot hold together: {rules}. Change a number, or take one of them away.', {
          rules: sayList(made.clash.map((k) => `“${wordsOf(k)}”`)),
        }),
  );
}

/** The drawn half followed by its mirror image on the way back; points on the line stand once. */
function mirrorOf(nodes: readonly PlainNode[]): PlainNode[] {
  const isOnLine = ({ xMm }: PlainNode) => Math.abs(xMm) <= JOINED_MM;
  const back: PlainNode[] = nodes
    .map((each, i) => {
      // On the way back, the edge that leaves a point is the one that came to it; the mirror keeps its bend's side.
      const bend = i > 0 ? nodes[i - 1].bend : undefined;
      return { xMm: -each.xMm, yMm: each.yMm, bend };
    })
    .reverse();
  const last = nodes.at(-1)!;
  const joined = isOnLine(last)
    ? [...nodes.slice(0, -1), back[0]]
    : [...nodes.slice(0, -1), { ...last, bend: undefined }, back[0]];
  const rest = back.slice(1);
  return isOnLine(nodes[0]) ? [...joined, ...rest.slice(0, -1)] : [...joined, ...rest];
}

/** From the first point on, so that corners are counted from there. */
function edges(nodes: readonly PlainNode[]): Outline {
  return nodes.flatMap((each, i) => {
    const edge = bentEdge(pointOf(each), pointOf(nodes[(i + 1) % nodes.length]), (each.bend ?? 0) / 100);
    return [pointOf(each), ...edge.slice(0, -1)];
  });
}

/** A closed curve through all points, its direction at each that of the line between its neighbours (Catmull–Rom). */
function smoothCurve(through: readonly Point[]): Outline {
  const at = (i: number) => through[(i + through.length) % through.length];
  return through.flatMap((point, i) => {
    const [before, next, after] = [at(i - 1), at(i + 1), at(i + 2)];
    const leave: Point = [point[0] + (next[0] - before[0]) / 6, point[1] + (next[1] - before[1]) / 6];
    const arrive: Point = [next[0] - (after[0] - point[0]) / 6, next[1] - (after[1] - point[1]) / 6];
    return cubic(point, leave, arrive, next);
  });
}

/** Whether an outline is the one that drawing begins from, which nobody has drawn yet. */
export function isUndrawn({ nodes, smooth, mirrored }: PointsOutline): boolean {
  const [first, second] = nodes;
  if (nodes.length !== 3 || smooth || mirrored) return false;
  const created = points.create(Number(second.xMm) - Number(first.xMm)) as PointsOutline;
  return nodes.every((node, i) => node.xMm === created.nodes[i].xMm && node.yMm === created.nodes[i].yMm);
}

/** Whether an outline is still being drawn: it bounds no area yet. */
export function isUnfinished({ nodes, closed, mirrored }: PointsOutline): boolean {
  return mirrored ? nodes.length < 2 : nodes.length < 3 || !closed;
}
