import * as z from 'zod';
import { circlePoints, fineArc, type Point, type Region } from '../../plane/index.ts';
import { combined, shift, sizeOf, turn, type Pose } from '../../mesh/index.ts';
import { angle, length, type Resolved } from '../amount.ts';
import { axes, centredOn, fromPlate, onTop, placement, shiftFor, type Placement } from '../placement.ts';
import { clause, choice, degrees, millimetres, oneOf, text, type Token } from '../sentence.ts';
import { effect } from './extrude.ts';
import { free, placeAdditions, placeOf, placeTokens, setFree } from './freePlace.ts';
import { placedAs } from './placed.ts';
import { boxAdditions, boxEdges, boxEdgeTokens, boxWithEdges } from './boxEdges.ts';
import { stepSchema, type BuildKit, type StepKind } from './stepKind.ts';
import { said, say } from '../../words/index.ts';
import { levelTokens } from '../levelSentence.ts';
import { asideIf } from '../shortSentence.ts';

const solid = z.discriminatedUnion('type', [
  z.strictObject({
    type: z.literal('box'),
    widthMm: length(),
    depthMm: length(),
    heightMm: length(),
    edges: boxEdges.optional(),
  }),
  z.strictObject({ type: z.literal('cylinder'), diameterMm: length(), heightMm: length() }),
  z.strictObject({
    type: z.literal('cone'),
    diameterMm: length(),
    /** 0 for a point. */
    topMm: length(0),
    heightMm: length(),
  }),
  z.strictObject({ type: z.literal('ball'), diameterMm: length() }),
  /** A torus, lying: the diameter over everything and that of its rod. */
  z.strictObject({ type: z.literal('ring'), outerMm: length(), rodMm: length() }),
  /** A gusset: a right triangle, `widthMm` along the floor and `heightMm` up its left side, `depthMm` deep. */
  z.strictObject({ type: z.literal('wedge'), widthMm: length(), depthMm: length(), heightMm: length() }),
  /** The upper half of a ball. */
  z.strictObject({ type: z.literal('dome'), diameterMm: length() }),
]);
type Solid = z.infer<typeof solid>;

export const turns = z.strictObject({ x: angle(), y: angle(), z: angle() });
export type Turns = z.infer<typeof turns>;

export const schema = stepSchema('solid', { effect, solid, turns: turns.optional(), placement, free });
export type ReadySolidStep = z.infer<typeof schema>;

const LABELS: Record<Solid['type'], string> = said({
  box: 'box',
  cylinder: 'cylinder',
  cone: 'cone',
  ball: 'ball',
  ring: 'ring of round rod',
  wedge: 'wedge',
  dome: 'dome',
});

/** Puts a ready solid anywhere, turned any way. */
export const readySolid: StepKind<ReadySolidStep> = {
  kind: 'solid',
  get label() {
    return say('Place a ready solid');
  },
  group: 'shape',
  offers: () => [
    {
      id: 'solid',
      label: say('Place a ready solid'),
      wish: 'shape',
      words: say('block brick body part lump'),
      variants: ['solid'],
    },
    {
      id: 'cutSolid',
      plate: 'under',
      label: say('Cut away a ready solid'),
      wish: 'hole',
      words: say('pocket hollow recess notch dent bowl'),
      set: (step) => ({ ...step, effect: 'cut' }),
      variants: ['solid'],
      isQuiet: true,
      // From above they would be cut out under a skin, or as a slit.
      omits: ['dome', 'wedge'],
    },
  ],
  isGround: ({ effect: does, solid: { type } }) => does === 'add' && (type === 'box' || type === 'cylinder'),
  freely: (step) => setFree(step, 1.5),

  create: (id, on) => ({
    id,
    kind: 'solid',
    effect: 'add',
    solid:
      on === undefined
        ? { type: 'box', widthMm: 20, depthMm: 20, heightMm: 10 }
        : { type: 'box', widthMm: 8, depthMm: 8, heightMm: 4 },
    placement: centredOn(on, on === undefined ? fromPlate : onTop),
  }),

  following: (step, before) => ({
    ...step,
    placement: sunk(step, before, placedAs(step.effect, before.effect, step.placement, 'up')),
  }),

  sentence: (step, context) => [
    oneOf(['effect'], 'add, cut or keep', step.effect, { add: 'Place', cut: 'Cut away', keep: 'Keep only' }),
    text('a'),
    ...solidTokens(step.solid),
    ...(step.solid.type === 'box' ? boxEdgeTokens(step.solid.edges) : []),
    ...turnTokens(step.turns),
    text(','),
    ...levelTokens('z', step),
    ...placeTokens(step, context),
    text('.'),
  ],

  sizes({ solid: of, turns: turned }) {
    if (turned) return [];
    const fields = { widthMm: 'x', depthMm: 'y', diameterMm: 'x', outerMm: 'x', heightMm: 'z' } as const;
    return Object.entries(fields).flatMap(([key, axis]) => (key in of ? { path: ['solid', key], axis } : []));
  },

  additions: (step) => [
    ...placeAdditions(step),
    ...turnAdditions(step.turns),
    ...(step.solid.type === 'box' ? boxAdditions(step.solid.edges) : []),
  ],

  build(step, kit) {
    if (step.effect !== 'add' && !kit.partBox()) {
      return kit.fail(['effect'], say('There is no material yet: put this step after one that adds some.'));
    }
    const body = kit.posed(made(step.solid, kit), turnsPose(step.turns));
    const own = kit.boxOf(body);
    const [wide, deep] = sizeOf(own);
    const by = shiftFor(placeOf(step, [wide, deep], kit), own, kit.hostBox(step.placement.on));
    const { solid } = step;
    const across = 'diameterMm' in solid ? solid.diameterMm : 'outerMm' in solid ? solid.outerMm : undefined;
    return {
      operations: [{ effect: step.effect, body: kit.posed(body, shift(by)) }],
      outline: across === undefined || step.turns ? undefined : [circlePoints(across / 2)],
    };
  },
};

/**
 * How deep a solid that is round below reaches into what it stands on, and how far one that is cut begins over it: flush, it
 * would touch in a point, or be cut under a skin.
 */
function sinkMm({
  effect: does,
  solid: of,
}: ReadySolidStep): { readonly add: number; readonly cut: number } | undefined {
  const round = of.type === 'ball' ? of.diameterMm : of.type === 'ring' ? of.rodMm : 0;
  if (typeof round !== 'number' || does === 'keep') return undefined;
  return { add: round / 4, cut: round === 0 ? 0 : -(of.type === 'ball' ? 3 * round : 2 * round) / 4 };
}

/** A placement for a solid that became another: where it stood as is best for the one, it stands as is best for the other. */
function sunk(step: ReadySolidStep, before: ReadySolidStep, placed: Placement): Placement {
  const [was, is] = [sinkMm(before), sinkMm(step)];
  const { z } = placed;
  if (!was || !is || 'plate' in placed.on) return placed;
  // What turned from one that adds to one that cuts is flush first.
  const stood = step.effect === before.effect ? was : { add: 0, cut: 0 };
  if (z.relation === 'beside' && z.edge === 'high' && z.overlapMm === stood.add)
    return { ...placed, z: { ...z, overlapMm: is.add } };
  if (z.relation === 'inFrom' && z.edge === 'high' && z.mm === stood.cut)
    return { ...placed, z: { ...z, mm: is.cut } };
  return placed;
}

/** First about x, then y, then z. */
export function turnsPose(of: Resolved<Turns> | undefined): Pose {
  return combined(turn('z', of?.z ?? 0), turn('y', of?.y ?? 0), turn('x', of?.x ?? 0));
}

/** ", turned 0° about left–right, …". */
export function turnTokens(of: Turns | undefined): Token[] {
  if (!of) return [];
  const words = { x: say('about left to right,'), y: say('about front to back,'), z: say('about upright') };
  return clause(
    [
      text(', turned'),
      ...axes.flatMap((axis) =>
        asideIf(
          of[axis] === 0,
          degrees(['turns', axis], of[axis], say('turn {words}', { words: words[axis] })),
          text(words[axis]),
        ),
      ),
    ],
    ['turns'],
    'Do not turn it',
  );
}

export function turnAdditions(of: Turns | undefined) {
  return of ? [] : [{ label: say('turn it'), path: ['turns'], value: { x: 0, y: 0, z: 45 } }];
}

function solidTokens(of: Solid): Token[] {
  const across = Number('widthMm' in of ? of.widthMm : 'outerMm' in of ? of.outerMm : of.diameterMm) || 20;
  const sizes: Record<Solid['type'], Solid> = {
    box: { type: 'box', widthMm: across, depthMm: across, heightMm: across / 2 },
    cylinder: { type: 'cylinder', diameterMm: across, heightMm: across / 2 },
    cone: { type: 'cone', diameterMm: across, topMm: across / 2, heightMm: across / 2 },
    ball: { type: 'ball', diameterMm: across },
    ring: { type: 'ring', outerMm: across, rodMm: across / 5 },
    wedge: { type: 'wedge', widthMm: across, depthMm: across / 5, heightMm: across },
    dome: { type: 'dome', diameterMm: across },
  };
  const kind = choice(
    ['solid'],
    'solid',
    Object.entries(LABELS).map(([type, label]) => ({
      label,
      words: WORDS[type as Solid['type']],
      value: sizes[type as Solid['type']],
    })),
    ({ value }) => (value as Solid).type === of.type,
  );
  const numbers = Object.entries(of).flatMap(([key, value]): Token[] => {
    if (key === 'type' || key === 'edges') return [];
    const { label, sign, after } = FIELDS[key];
    return [
      millimetres(['solid', key], value as number, label, {
        sign,
        nudge: 0.5,
        min: key === 'topMm' ? 0 : 0.1,
      }),
      text(after),
    ];
  });
  // No comma before the clause that follows.
  return [
    kind,
    ...numbers.slice(0, -1),
    text(FIELDS[Object.keys(of).findLast((key) => key in FIELDS)!].after.replace(',', '')),
  ];
}

const WORDS: Record<Solid['type'], string> = said({
  box: 'cube block brick',
  cylinder: 'round rod tube post pin peg column',
  cone: 'pointed hat tip',
  ball: 'sphere round bead',
  ring: 'donut hoop torus round',
  wedge: 'ramp gusset triangle brace slope',
  dome: 'half ball round cap',
});

const FIELDS: Record<string, { label: string; sign?: string; after: string }> = said({
  widthMm: { label: 'width', after: 'wide,' },
  depthMm: { label: 'depth', after: 'deep,' },
  heightMm: { label: 'height', after: 'high,' },
  diameterMm: { label: 'diameter', sign: 'Ø', after: ',' },
  topMm: { label: 'diameter at the top', sign: 'Ø', after: 'at the top,' },
  outerMm: { label: 'outer diameter', sign: 'Ø', after: 'outside,' },
  rodMm: { label: 'diameter of the rod', sign: 'Ø', after: 'through the rod,' },
});

function made<Body>(of: Resolved<Solid>, kit: BuildKit<Body>): Body {
  const straight = (region: Region, heightMm: number) =>
    kit.stack(region, [
      { atMm: 0, growMm: 0 },
      { atMm: heightMm, growMm: 0 },
    ]);
  switch (of.type) {
    case 'box':
      return boxWithEdges(of, kit);
    case 'cylinder':
      return straight([circlePoints(of.diameterMm / 2)], of.heightMm);
    case 'cone': {
      const [low, high] = [of.diameterMm / 2, of.topMm / 2];
      const top: Point[] = high > 0 ? [[high, of.heightMm], [0, of.heightMm]] : [[0, of.heightMm]]; // oxfmt-ignore
      return kit.revolved([[[0, 0], [low, 0], ...top]], 360);
    }
    case 'ball':
      return kit.revolved([fineArc([0, 0], of.diameterMm / 2, -Math.PI / 2, Math.PI)], 360);
    case 'dome':
      return kit.revolved([[[0, 0], ...fineArc([0, 0], of.diameterMm / 2, 0, Math.PI / 2)]], 360);
    case 'ring': {
      const [middle, rod] = [(of.outerMm - of.rodMm) / 2, of.rodMm / 2];
      if (middle < rod)
        return kit.fail(
          ['solid', 'rodMm'],
          say('The rod is too thick for a ring of that diameter: make it thinner, or the ring larger.'),
        );
      return kit.revolved([circlePoints(rod).map(([x, y]): Point => [x + middle, y])], 360);
    }
    case 'wedge': {
      const corners: Point[] = [[0, 0], [of.widthMm, 0], [0, of.heightMm]]; // oxfmt-ignore
      // Drawn standing up and facing the front.
      return kit.posed(straight([corners], of.depthMm), turn('x', 90));
    }
  }
}
