import * as z from 'zod';
import { extentOf, signedAreaOf, type Region } from '../../plane/index.ts';
import { boxUnder, posed, turnedBack, type Box } from '../../mesh/index.ts';
import { length, type Resolved } from '../amount.ts';
import { facing, facingPose, normalOf, type Facing } from '../facing.ts';
import { lettering, letteringAdditions, letteringTokens, newLettering } from '../lettering.ts';
import { aroundTokens } from '../aroundSentence.ts';
import { centredOn, fromPlate, onTop, placement } from '../placement.ts';
import { alongTokens, placementAdditions, placementTokens, targetToken } from '../placementSentence.ts';
import { clause, millimetres, oneOf, text } from '../sentence.ts';
import { edgeAddition, edgeFinish, edgeTokens } from './edgeFinish.ts';
import { extruded } from './extrude.ts';
import { facingToken, isOnFace, spreadOf } from './placed.ts';
import { stepSchema, type BuildKit, type StepKind } from './stepKind.ts';
import { said, say } from '../../words/index.ts';

export const schema = stepSchema('letters', {
  lettering,
  effect: z.enum(['raised', 'sunk', 'through']),
  byMm: length(0.1, 300),
  facing,
  top: edgeFinish.optional(),
  placement,
  /** Centred in what is free of the host's face instead, this far from its edges, holes and other letters. */
  free: z.strictObject({ marginMm: length(0, 100) }).optional(),
});
export type LettersStep = z.infer<typeof schema>;

const ONTO: Record<Facing, string> = said({
  up: 'on the top',
  down: 'on the underside',
  front: 'on the front',
  back: 'on the back',
  left: 'on the left side',
  right: 'on the right side',
});

/** Writes raised, sunk or cut-out letters on a face of an earlier step, or on the plate as objects of their own. */
export const letters: StepKind<LettersStep> = {
  kind: 'letters',
  get label() {
    return say('Write letters');
  },
  group: 'shape',

  create: (id, on) => ({
    id,
    kind: 'letters',
    lettering: newLettering(),
    effect: 'raised',
    byMm: 1.2,
    facing: 'up',
    placement: centredOn(on, on === undefined ? fromPlate : onTop),
  }),

  sentence(step, context) {
    const { axis } = normalOf[step.facing];
    const isPlain = isOnFace(step.placement, step.facing);
    return [
      text('Write'),
      ...letteringTokens(step.lettering, ['lettering'], context),
      text(','),
      oneOf(['effect'], 'raised, sunk or cut through', step.effect, {
        raised: 'raised',
        sunk: 'sunk',
        through: 'cut right through',
      }),
      ...(step.effect === 'through'
        ? []
        : [
            millimetres(['byMm'], step.byMm, step.effect === 'raised' ? 'raised by' : 'sunk by', {
              max: 300,
            }),
          ]),
      facingToken(step, say('on which side'), ONTO),
      ...(step.effect === 'raised' && !isPlain
        ? [text(','), ...alongTokens(axis, step.placement[axis], step.placement.on, ['placement', axis])]
        : []),
      text(','),
      ...(step.free
        ? [
            ...clause(
              [
                text('in the middle of the free space on'),
                targetToken(['placement', 'on'], step.placement.on, context),
                text(', away from its edges by at least'),
                millimetres(['free', 'marginMm'], step.free.marginMm, 'margin', { min: 0, max: 100 }),
              ],
              ['free'],
              'Say where it is instead',
            ),
            ...aroundTokens(step.placement),
          ]
        : placementTokens(step.placement, context, spreadOf(step.facing))),
      ...edgeTokens(step.top, ['top'], say('edges of the letters')),
      text('.'),
    ];
  },

  sizes: (step) =>
    step.facing === 'up' && !step.free ? [{ path: ['lettering', 'size', 'mm'], axis: 'x' }] : [],

  additions: (step) => [
    // In the middle of what is free, it is placed by that.
    ...(step.free ? [] : placementAdditions(step.placement, spreadOf(step.facing))),
    ...(step.free || 'plate' in step.placement.on
      ? []
      : [{ label: say('put it in the middle of the free space'), path: ['free'], value: { marginMm: 1 } }]),
    ...letteringAdditions(step.lettering, ['lettering']),
    ...(step.effect === 'through' ? [] : edgeAddition(step.top, ['top'], say('edges of the letters'))),
  ],

  build(step, kit) {
    if (step.lettering.words.trim() === '') {
      return kit.fail(['lettering', 'words'], say('There are no letters yet: type a word.'));
    }
    if (step.effect !== 'raised' && !kit.partBox()) {
      const message = say(
        'There is nothing to sink letters into yet: put this step after one that adds material.',
      );
      return kit.fail(['effect'], message);
    }
    const { axis, isHigh } = normalOf[step.facing];
    const { region, capMm } = kit.letters(step.lettering);
    const edge = isHigh ? 'high' : 'low';
    const into = { relation: 'inFrom', edge, mm: 0 } as const;
    const placed = step.effect === 'raised' ? step.placement : { ...step.placement, [axis]: into };
    const built = extruded(
      {
        ...step,
        effect: step.effect === 'raised' ? 'add' : 'cut',
        depth: step.effect === 'through' ? { type: 'through' } : { type: 'by', mm: step.byMm },
        placement: step.free ? inFree(step, region, placed, kit) : placed,
      },
      region,
      kit,
    );
    // On the plate, letters are things of their own.
    const relief = { effect: step.effect, isLettering: true, facing: step.facing };
    return { ...built, outline: region, capMm, ...('plate' in step.placement.on ? {} : { relief }) };
  },
};

type Placed = Resolved<LettersStep>['placement'];

/**
 * The placement that centres letters in the largest piece of the host's face that is free: part of the part just
 * under the face, with nothing standing on it, and wide enough all around.
 */
function inFree<Body>(
  { free, facing: side, placement: { on } }: Resolved<LettersStep>,
  region: Region,
  placed: Placed,
  kit: BuildKit<Body>,
): Placed {
  const face = boxUnder(turnedBack(facingPose(side)), kit.hostBox(on));
  const { x, y } = extentOf(region);
  const [width, depth] = [x.high - x.low, y.high - y.low];
  const level = face.max[2];
  const below = kit.sectionFacing(side, level - SKIN_MM);
  const above = kit.sectionFacing(side, level + SKIN_MM);
  const host: Region = [rectangle(face)];
  const clear = kit.without(kit.common(below, host), above);
  const room = kit.roomFor(kit.grown(clear, -free!.marginMm, 'sharp'), width, depth);
  if (room.length === 0) {
    return kit.fail(
      ['free', 'marginMm'],
      say(
        'There is no place that is free and large enough for these letters: make them smaller, or the margin.',
      ),
    );
  }
  const at = middleOf(room, face);
  // Where the local right and up point along the room's own axes, a middle is turned back into it.
  const [px, py, pz] = posed(facingPose(side), [at[0], at[1], 0]);
  const point = { x: px, y: py, z: pz };
  const [first, second] = spreadOf(side);
  return {
    ...placed,
    [first]: { relation: 'at', own: 'middle', mm: point[first] },
    [second]: { relation: 'at', own: 'middle', mm: point[second] },
  };
}

/** How far under and above a face it is looked at, mm. */
const SKIN_MM = 0.02;

function rectangle({ min, max }: Box): [number, number][] {
  return [[min[0], min[1]], [max[0], min[1]], [max[0], max[1]], [min[0], max[1]]]; // oxfmt-ignore
}

/**
 * The place in a room that lies in the middle of it both ways. It begins at the middle of the face, so that what is
 * centred on the face stays so where nothing is in the way, and moves to the middle of the longest free stretch along
 * one way and then the other.
 */
function middleOf(room: Region, face: Box): [number, number] {
  const middle = (i: 0 | 1) => (face.min[i] + face.max[i]) / 2;
  let at: [number, number] = [middle(0), middle(1)];
  const first = longestStretch(room, 0, at[1]) ? 0 : 1;
  if (first === 1 && !longestStretch(room, 1, at[0])) {
    // Neither middle line meets the room: begin in its largest piece.
    const largest = room.reduce((best, each) => (signedAreaOf(each) > signedAreaOf(best) ? each : best));
    const { y } = extentOf([largest]);
    at = [at[0], (y.low + y.high) / 2];
  }
  for (const along of [first, 1 - first, first, 1 - first] as (0 | 1)[]) {
    const stretch = longestStretch(room, along, at[1 - along]);
    if (stretch) at = along === 0 ? [stretch.middle, at[1]] : [at[0], stretch.middle];
  }
  return at;
}

/** The longest stretch of a region along a line that runs along one axis, at a place on the other. */
function longestStretch(
  room: Region,
  along: 0 | 1,
  across: number,
): { middle: number; mm: number } | undefined {
  const cuts: number[] = [];
  for (const outline of room) {
    outline.forEach((point, i) => {
      const next = outline[(i + 1) % outline.length];
      const [a, b] = [point[1 - along], next[1 - along]];
      if (a > across === b > across) return;
      cuts.push(point[along] + ((next[along] - point[along]) * (across - a)) / (b - a));
    });
  }
  cuts.sort((p, q) => p - q);
  let longest: { middle: number; mm: number } | undefined;
  for (let i = 0; i + 1 < cuts.length; i += 2) {
    const mm = cuts[i + 1] - cuts[i];
    if (!longest || mm > longest.mm) longest = { middle: (cuts[i] + cuts[i + 1]) / 2, mm };
  }
  return longest;
}
