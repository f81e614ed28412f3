import * as z from 'zod';
import { circlePoints } from '../../plane/index.ts';
import { length } from '../amount.ts';
import { facesSideways, facing, type Facing } from '../facing.ts';
import { centredAlong, fromPlate, placement, type Placement } from '../placement.ts';
import { placementAdditions } from '../placementSentence.ts';
import { millimetres, text } from '../sentence.ts';
import { facedPlacementTokens, facingToken, placedPose, refaced, spreadOf } from './placed.ts';
import { stepSchema, type StepKind } from './stepKind.ts';
import { said, say } from '../../words/index.ts';
import { asideIf } from '../shortSentence.ts';

export const schema = stepSchema('eyelet', {
  holeMm: length(0.2, 200),
  /** The material around the hole. */
  wallMm: length(0.2, 100),
  thickMm: length(),
  /** Lying flat when it faces up, upright otherwise. */
  facing,
  placement,
});
export type EyeletStep = z.infer<typeof schema>;

const STANCE: Record<Facing, string> = said({
  up: 'lying flat',
  down: 'lying flat, face down',
  front: 'upright, facing the front',
  back: 'upright, facing the back',
  left: 'upright, facing the left',
  right: 'upright, facing the right',
});

/** How strong a new loop is, which goes without saying. */
const USUAL = { wallMm: 2.5, thickMm: 2.4 };

/** A hanging loop that merges with the part by an overlap; its opening is as long as the loop is thick. */
export const eyelet: StepKind<EyeletStep> = {
  kind: 'eyelet',
  get label() {
    return say('Add an eyelet');
  },
  group: 'shape',
  offers: () => [
    {
      id: 'eyelet',
      label: say('Add an eyelet'),
      wish: 'standOut',
      words: say('ring loop hang key string chain hook tag'),
    },
  ],
  isGround: () => false,

  create: (id, on) => ({
    id,
    kind: 'eyelet',
    holeMm: 4,
    ...USUAL,
    facing: 'up',
    placement:
      on === undefined
        ? { on: { plate: true }, x: { relation: 'centred' }, y: { relation: 'centred' }, z: fromPlate }
        : lyingOn({ step: on }),
  }),

  sentence: (step, context) => [
    text('Add an eyelet with a hole of'),
    millimetres(['holeMm'], step.holeMm, 'diameter of the hole', { sign: 'Ø', min: 0.2, max: 200 }),
    text(','),
    ...asideIf(
      step.wallMm === USUAL.wallMm,
      millimetres(['wallMm'], step.wallMm, 'material around the hole', { min: 0.2, max: 100 }),
      text('of material around it'),
      text(','),
    ),
    ...asideIf(
      step.thickMm === USUAL.thickMm,
      millimetres(['thickMm'], step.thickMm, 'thickness'),
      text('thick'),
      text(','),
    ),
    ...asideIf(
      step.facing === 'up',
      facingToken(step, say('how it stands'), STANCE, (to) => stood(step, to)),
      text(','),
    ),
    ...facedPlacementTokens(step, context),
    text('.'),
  ],

  additions: (step) => placementAdditions(step.placement, spreadOf(step.facing)),

  build(step, kit) {
    const disc = [circlePoints(step.holeMm / 2 + step.wallMm)];
    const opening = [circlePoints(step.holeMm / 2)];
    const host = kit.hostBox(step.placement.on);
    const { pose, box } = placedPose(disc, step.thickMm, step.facing, step.placement, host);
    const loop = kit.posed(kit.stack(disc, straight(0, step.thickMm)), pose);
    // The opening is cut once the loop has joined. It ends with the loop, so that nothing behind it is cut into.
    const pin = kit.posed(kit.stack(opening, straight(0, step.thickMm)), pose);
    const beyond = [
      straight(-BESIDE_MM, -FLUSH_MM),
      straight(step.thickMm + FLUSH_MM, step.thickMm + BESIDE_MM),
    ];
    if (beyond.some((levels) => kit.boxWithin(kit.posed(kit.stack(opening, levels), pose)))) {
      kit.note(say('Something lies before its opening: cut a hole there if one shall see through.'));
    }
    return {
      operations: [
        { effect: 'add', body: loop },
        { effect: 'cut', body: pin, staysOpen: true },
      ],
      outline: disc,
      box,
    };
  },
};

/** How deep a loop is rooted in what it is on: as much as there is material around its hole. */
const ROOT_MM = USUAL.wallMm;

/** Lying on the plate at the left of what it is on. */
function lyingOn(on: Placement['on']): Placement {
  return {
    on,
    x: { relation: 'beside', edge: 'low', overlapMm: ROOT_MM },
    y: centredAlong,
    z: fromPlate,
  };
}

/**
 * Where a loop goes when it is stood up or laid down: upright it is rooted in the top of what it is on, since round as it is
 * it would lean out too far over the plate.
 */
function stood({ placement: of, facing: from }: EyeletStep, to: Facing): Placement {
  if ('plate' in of.on || facesSideways(from) === facesSideways(to)) return refaced(of, from, to);
  if (!facesSideways(to)) return lyingOn(of.on);
  return {
    on: of.on,
    x: centredAlong,
    y: centredAlong,
    z: { relation: 'beside', edge: 'high', overlapMm: ROOT_MM },
  };
}

/** How near something closes an opening, mm. */
const BESIDE_MM = 0.5;
/** What reaches no further before it is flush with the loop, whatever rounding has left. */
const FLUSH_MM = 0.01;

const straight = (fromMm: number, toMm: number) => [
  { atMm: fromMm, growMm: 0 },
  { atMm: toMm, growMm: 0 },
];
