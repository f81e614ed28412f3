import { beforeAll, describe, expect, it } from 'vitest';
import { nodeWorkshop } from '../../../../node/workshop.ts';
import { outlineKit, Refused } from '../../../../test/outlineKit.ts';
import { freedomOf } from '../../../drawing/index.ts';
import { extentOf, signedAreaOf } from '../../../plane/index.ts';
import { plainSentence } from '../../sentence.ts';
import type { OutlineKit } from '../outlineKind.ts';
import { points, schema, type PointsOutline } from '../points.ts';
import type { Resolved } from '../../amount.ts';
import { asDrawn, askedOf } from './askedOf.ts';
import { withNodeAfter, withoutNode, withoutRule, withRule, type Asked, type Ruled } from './drawingEdits.ts';
import type { Node } from './node.ts';
import { openWords } from './openWords.ts';
import { plainDrawing } from './plainDrawing.ts';
import { rule } from './rule.ts';
import { ruleTokens } from './ruleWords.ts';

let kit: OutlineKit;
beforeAll(async () => (kit = outlineKit((await nodeWorkshop()).kernel)));

const corners = (written: string): Node[] =>
  written.split(' ').map((each) => {
    const [xMm, yMm] = each.split(',').map(Number);
    return { xMm, yMm };
  });
const none = new Map<string, number>();
const ruled = (drawing: Ruled, ...all: Asked[]): Ruled =>
  all.reduce((so, asked) => withRule(so, asked, none), drawing);
const outline = ({ nodes, rules }: Ruled, rest: Partial<PointsOutline> = {}): Resolved<PointsOutline> => {
  const spec = { shape: 'points', nodes, closed: true, smooth: false, mirrored: false, ...rest };
  return schema.parse(rules ? { ...spec, rules } : spec) as Resolved<PointsOutline>;
};
const wordsOf = ({ nodes, rules = [] }: Ruled) =>
  rules.map((rule) => plainSentence(ruleTokens(rule, nodes, [])));
function refused(spec: Resolved<PointsOutline>): Refused {
  try {
    points.region(spec, kit);
  } catch (error) {
    if (error instanceof Refused) return error;
    throw error;
  }
  throw new Error('It was taken.');
}

const sloppy = { nodes: corners('0,0 29,1 31,19 -1,21') };
const box: Asked[] = [
  { kind: 'held', point: 0, xMm: 0, yMm: 0 },
  { kind: 'level', points: [0, 1] },
  { kind: 'upright', points: [1, 2] },
  { kind: 'level', points: [2, 3] },
  { kind: 'upright', points: [3, 0] },
];
const long: Asked = { kind: 'apart', points: [0, 1], measured: 'straight', lengthMm: 30 };
const deep: Asked = { kind: 'apart', points: [1, 2], measured: 'straight', lengthMm: 20 };

describe('a drawing with rules', () => {
  it('bounds the area that its rules ask for, however it was drawn', () => {
    const [made] = points.region(outline(ruled(sloppy, ...box, long, deep)), kit);
    expect(signedAreaOf(made)).toBeCloseTo(600, 4);
    expect(extentOf([made]).x).toEqual({ low: expect.closeTo(0, 5), high: expect.closeTo(30, 5) });
  });

  it('is as it was drawn without rules, and after the last is taken away', () => {
    const once = ruled(sloppy, long);
    expect(withoutRule(once, 0)).not.toHaveProperty('rules');
    expect(points.region(outline(withoutRule(once, 0)), kit)).toEqual(points.region(outline(sloppy), kit));
  });

  it('keeps the ends of a mirrored half on the middle line', () => {
    const half = { nodes: corners('0,0 10,0 9,20 0,30') };
    const drawing = ruled(half, { kind: 'apart', points: [1, 2], measured: 'straight', lengthMm: 40 });
    const [made] = points.region(outline(drawing, { mirrored: true }), kit);
    const { x } = extentOf([made]);
    expect(x.low).toBeCloseTo(-x.high, 6);
    expect(made.filter(([at]) => Math.abs(at) < 1e-6)).toHaveLength(2);
  });

  it('says which rules cannot hold together, and at the newest', () => {
    const { message, path } = refused(outline(ruled(sloppy, ...box, long, { ...long, lengthMm: 31 })));
    expect(message).toBe(
      'These cannot hold together: “Edge 1–2 is 30 mm long” and “Edge 1–2 is 31 mm long”. Change a number, or take one of them away.',
    );
    expect(path).toEqual(['rules', 6]);
  });

  it('says which single rule cannot be drawn', () => {
    const drawing = ruled(sloppy, { kind: 'apart', points: [0, 1], measured: 'straight', lengthMm: 0 });
    expect(refused(outline(drawing)).message).toBe(
      'This cannot be drawn: “Edge 1–2 is 0 mm long”. Change it, or take the rule away.',
    );
  });

  it('says which rule names a point that is gone', () => {
    const { rules } = ruled(sloppy, long);
    expect(refused(outline({ nodes: corners('0,0 30,0 30,20'), rules })).message).toBe(
      'A rule of the drawing names a point that is gone: “Points ? and ? lie 30 mm apart”. Take the rule away.',
    );
  });

  it('draws arcs of more than a half circle', () => {
    const keyhole = outline({
      nodes: [
        { xMm: 10, yMm: 0, bend: 240 },
        { xMm: -10, yMm: 0 },
        { xMm: 0, yMm: -20 },
      ],
    });
    // Height h and chord c give the radius c² / 8h + h / 2, and the top lies h above the chord.
    expect(extentOf(points.region(keyhole, kit)).y.high).toBeCloseTo(24, 1);
  });
});

describe('rules in words', () => {
  const arcs = {
    nodes: corners('0,0 30,0 30,20 0,20 -5,10').map((each, i) =>
      i % 2 === 1 ? { ...each, bend: 40 } : each,
    ),
  };

  it.each<[string, Asked]>([
    ['Edge 1–2 is 30 mm long', long],
    ['Edge 1–2 is 30 mm long', { ...long, points: [1, 0] }],
    ['Point 1 stays 4 mm up', { kind: 'held', point: 0, yMm: 4 }],
    ['Edge 2–3 is 20 mm from end to end', deep],
    ['Edge 5–1 is 8 mm long', { kind: 'apart', points: [4, 0], measured: 'straight', lengthMm: 8 }],
    ['Points 1 and 3 lie 36 mm apart', { kind: 'apart', points: [0, 2], measured: 'straight', lengthMm: 36 }],
    ['Points 1 and 2 lie 30 mm apart, across', { ...long, measured: 'across' }],
    ['Points 1 and 2 lie 4 mm apart, up', { ...long, measured: 'up', lengthMm: 4 }],
    ['Edge 1–2 is level', { kind: 'level', points: [0, 1] }],
    ['Points 1 and 3 lie at one height', { kind: 'level', points: [0, 2] }],
    ['Edge 2–3 is upright', { kind: 'upright', points: [1, 2] }],
    ['Points 2 and 4 lie one above the other', { kind: 'upright', points: [1, 3] }],
    ['Edges 1–2 and 3–4 run the same way', { kind: 'parallel', edges: [0, 2] }],
    ['Edges 1–2 and 2–3 are at a right angle', { kind: 'square', edges: [0, 1] }],
    ['Edges 2–3 and 4–5 are equal', { kind: 'equal', edges: [1, 3] }],
    ['Edges 1–2 and 2–3 touch without a corner', { kind: 'touching', edges: [0, 1] }],
    ['Edges 2–3 and 4–5 have one centre', { kind: 'sameCentre', edges: [1, 3] }],
    ['Edge 1–2 rises by 10°', { kind: 'slant', edge: 0, degrees: 10 }],
    ['The angle at point 2 is 90°', { kind: 'angle', points: [0, 1, 2], degrees: 90 }],
    ['Arc 2–3 has the radius 12 mm', { kind: 'radius', edge: 1, radiusMm: 12 }],
    ['Points 1 and 2 are mirror images', { kind: 'symmetric', points: [0, 1] }],
    ['Points 1 and 2 are mirror images in edge 3–4', { kind: 'symmetric', points: [0, 1], mirror: 2 }],
    ['Point 1 stays 3 mm to the right and 4 mm up', { kind: 'held', point: 0, xMm: 3, yMm: 4 }],
    ['Point 1 lies on the middle line', { kind: 'onAxis', point: 0 }],
    ['Point 5 lies in the middle of edge 1–2', { kind: 'inMiddle', point: 4, edge: 0 }],
    ['Point 5 lies beside edge 1–2 by 6 mm', { kind: 'beside', point: 4, edge: 0, gapMm: 6 }],
  ])('%s', (words, asked) => {
    expect(wordsOf(ruled(arcs, asked))).toEqual([words]);
  });

  it('says what is still open', () => {
    const figure = (written: string) => ({
      points: corners(written).map(({ xMm, yMm }): [number, number] => [Number(xMm), Number(yMm)]),
      bends: [0, 0, 0],
    });
    const held = (point: number, xMm: number, yMm: number) => ({ kind: 'held', point, xMm, yMm }) as const;
    const triangle = figure('0,0 40,0 0,30');
    const sides = [0, 1, 2].map((i) => ({
      kind: 'apart' as const,
      points: [i, (i + 1) % 3] as const,
      measured: 'straight' as const,
      lengthMm: [40, 50, 30][i],
    }));
    const said = (...asked: Parameters<typeof freedomOf>[1]) => openWords(freedomOf(triangle, asked));
    expect(said()).toBe('All points can still move.');
    expect(said(...sides)).toBe('Its shape is set; its place and how it is turned are open.');
    expect(said(...sides, { kind: 'level', points: [0, 1] })).toBe('Its shape is set; its place is open.');
    expect(said(held(0, 0, 0))).toBe('Points 2 and 3 can still move.');
    expect(said(held(0, 0, 0), held(1, 40, 0))).toBe('Point 3 can still move.');
    expect(said(held(0, 0, 0), held(1, 40, 0), held(2, 0, 30))).toBe('All is set.');
    const bent = { ...triangle, bends: [0, 0.5, 0] };
    expect(openWords(freedomOf(bent, [held(0, 0, 0), held(1, 40, 0), held(2, 0, 30)]))).toBe(
      'All points are set; an arc can still bend.',
    );
  });
});

describe('edits of a drawing with rules', () => {
  it('gives ids to the points that rules name, and to no others', () => {
    const { nodes } = ruled(sloppy, long, deep);
    expect(nodes.map(({ id }) => id)).toEqual(['p1', 'p2', 'p3', undefined]);
  });

  it('makes rules of places that are worked out, since the others are only where it begins', () => {
    const nodes: Node[] = [
      { xMm: 0, yMm: 0 },
      { xMm: { formula: 'cane * 2' }, yMm: 0 },
      { xMm: 8, yMm: 20 },
    ];
    const drawing = withRule({ nodes }, { kind: 'level', points: [0, 1] }, new Map([['cane', 8]]));
    expect(drawing.nodes[1]).toEqual({ id: 'p1', xMm: 16, yMm: 0 });
    expect(drawing.rules?.[0]).toEqual({ kind: 'held', point: 'p1', xMm: { formula: 'cane * 2' } });
  });

  it('takes the rules of a point and of the edges that end there with it', () => {
    const drawing = ruled(sloppy, long, deep, { kind: 'equal', edges: [0, 2] }, { kind: 'onAxis', point: 3 });
    expect(wordsOf(withoutNode(drawing, 1))).toEqual(['Point 3 lies on the middle line']);
    expect(wordsOf(withoutNode(drawing, 3))).toEqual(['Edge 1–2 is 30 mm long', 'Edge 2–3 is 20 mm long']);
  });

  it('keeps what is said of edges that end elsewhere', () => {
    const drawing = ruled(sloppy, { kind: 'parallel', edges: [1, 3] }, { kind: 'equal', edges: [0, 1] });
    // Point 1 goes, and with it its own edge and the one that ended there.
    expect(withoutNode(drawing, 0).rules).toBeUndefined();
    const five = ruled({ nodes: [...sloppy.nodes, { xMm: -4, yMm: 10 }] }, { kind: 'equal', edges: [0, 1] });
    expect(wordsOf(withoutNode(five, 3))).toEqual(wordsOf(five));
  });

  it('says of a bent edge how long it is from end to end, and of a straight one beside it how long it is', () => {
    const bent = { nodes: sloppy.nodes.map((node, i) => (i === 0 ? { ...node, bend: 40 } : node)) };
    const drawing = ruled(bent, long, deep);
    expect(wordsOf(drawing)).toEqual(['Edge 1–2 is 30 mm from end to end', 'Edge 2–3 is 20 mm long']);
  });

  it.each(['parallel', 'square', 'equal', 'touching', 'sameCentre'] as const)(
    'has edges that are %s',
    (kind) => {
      expect(rule.safeParse({ kind, edges: ['p1', 'p2'] }).success).toBe(true);
    },
  );

  it('takes a held point as far as a number of a drawing goes, either way', () => {
    const held = { kind: 'held', point: 'p1', xMm: 3, yMm: 4 } as const;
    const numbers = ruleTokens(held, [{ xMm: 0, yMm: 0, id: 'p1' }], []).filter(
      ({ type }) => type === 'number',
    );
    expect(numbers).toMatchObject([{ min: -1000, max: 1000 }, { min: -1000, max: 1000 }]); // oxfmt-ignore
  });

  it('has no rule while a number of one is not worked out, and 0 for a place that is not', () => {
    const nodes: Node[] = [
      { xMm: { formula: 'cane * 2' }, yMm: { formula: 'gone' }, id: 'p1' },
      ...corners('9,0 9,9'),
    ];
    const rules = [{ kind: 'held', point: 'p1', xMm: { formula: 'cane' } }] as const;
    const cane = new Map([['cane', 8]]);
    expect(plainDrawing({ nodes, rules: [...rules] }, cane, false)).toMatchObject({
      nodes: [
        { xMm: 16, yMm: 0 },
        { xMm: 9, yMm: 0 },
        { xMm: 9, yMm: 9 },
      ],
      rules: [{ point: 'p1', xMm: 8 }],
    });
    const gone = [{ kind: 'held', point: 'p1', xMm: { formula: 'gone' } }] as const;
    expect(plainDrawing({ nodes, rules: [...rules, ...gone] }, cane, false).rules).toEqual([]);
  });

  it('keeps what is said of the ends of an edge into which a point is put', () => {
    const drawing = ruled(sloppy, long, { kind: 'equal', edges: [0, 2] });
    const more = withNodeAfter(drawing, 0, { xMm: 15, yMm: 1 });
    expect(wordsOf(more)).toEqual(['Points 1 and 3 lie 30 mm apart']);
    expect(more.nodes).toHaveLength(5);
  });

  it('does not take what holds already, nor what cannot hold', () => {
    const drawing = ruled(sloppy, ...box, long);
    expect(askedOf(drawing, { ...long, points: [2, 3] }, none, false)).toMatchObject({
      ok: false,
      why: 'follows',
    });
    expect(askedOf(drawing, { ...long, lengthMm: 40 }, none, false)).toMatchObject({
      why: 'clashes',
      others: [5],
    });
    expect(askedOf(drawing, deep, none, false)).toMatchObject({ ok: true });
  });

  it('keeps level and upright what was drawn so, once a first length is asked', () => {
    const drawn = corners('0,0 29,0 29,20 0,20') as { xMm: number; yMm: number }[];
    const kept = asDrawn(ruled({ nodes: drawn }, long), drawn, 4, none, false);
    expect(wordsOf(kept)).toEqual([
      'Edge 1–2 is 30 mm long',
      'Edge 1–2 is level',
      'Edge 2–3 is upright',
      'Edge 3–4 is level',
      'Edge 4–1 is upright',
    ]);
    const [made] = points.region(outline(kept), kit);
    expect(signedAreaOf(made)).toBeCloseTo(600, 4);
  });

  it('lets what was drawn level give way to a slope that is asked, and says nothing that follows', () => {
    const drawn = corners('0,0 30,0 30,20 0,20') as { xMm: number; yMm: number }[];
    const sloped = ruled({ nodes: drawn }, { kind: 'slant', edge: 0, degrees: 10 });
    expect(wordsOf(asDrawn(sloped, drawn, 4, none, false))).not.toContain('Edge 1–2 is level');
    const square = ruled(
      { nodes: drawn },
      ...([0, 1, 2].map((e) => ({ kind: 'square', edges: [e, e + 1] })) as Asked[]),
    );
    expect(wordsOf(asDrawn(square, drawn, 4, none, false)).slice(3)).toEqual(['Edge 1–2 is level']);
  });
});
