import * as z from 'zod';
import {
  bentEdge,
  counterClockwise,
  crossingOf,
  cubic,
  withoutRepeats,
  type Outline,
  type Point,
} from '../../plane/index.ts';
import { formatNumber, distance, percent, type Resolved } from '../amount.ts';
import { choice, text } from '../sentence.ts';
import type { OutlineKind } from './outlineKind.ts';
import { say } from '../../words/index.ts';
import { asideIf } from '../shortSentence.ts';

/** A point of a drawn outline; `bend` bends the edge that leaves it: 0 % is straight, ±100 % a half circle. */
export const node = z.strictObject({
  xMm: distance(),
  yMm: distance(),
  bend: percent(-100, 100).optional(),
});
export type Node = z.infer<typeof node>;

export const schema = z.strictObject({
  shape: z.literal('points'),
  nodes: z.array(node).max(400),
  /** Whether the last point joins the first; while it is drawn it does not. */
  closed: z.boolean(),
  /** One curve through all points, as drawn by a free hand, instead of edges between them. */
  smooth: z.boolean(),
  /** Only one half is drawn, beside the line x = 0; the other is its mirror image. */
  mirrored: z.boolean(),
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
    text(say('with {count} points', { count: outline.nodes.length })),
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
  region(outline, kit) {
    const { nodes, closed, smooth, mirrored } = outline;
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
  },
};

type PlainNode = Resolved<Node>;

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

function pointOf({ xMm, yMm }: PlainNode): Point {
  return [xMm, yMm];
}
