import * as z from 'zod';
import { circlePoints, extentOf } from '../../plane/index.ts';
import { shift } from '../../mesh/index.ts';
import { angle } from '../amount.ts';
import { facing, facingPose, type Facing } from '../facing.ts';
import { failingIn } from '../outlines/index.ts';
import { drawnRegion, points, schema as pointsSchema } from '../outlines/points.ts';
import { centredOn, fromPlate, onTop, placement, shiftFor } from '../placement.ts';
import { degrees, oneOf, text } from '../sentence.ts';
import { cornerAdditions, corners, cornerTokens, withCorners } from './corners.ts';
import { effect } from './extrude.ts';
import { facedPlaceTokens, free, placeAdditions, placeOf, setFree } from './freePlace.ts';
import { facingToken, placedAs } from './placed.ts';
import { stepSchema, type StepKind } from './stepKind.ts';
import { said, say } from '../../words/index.ts';
import { asideIf } from '../shortSentence.ts';

export const schema = stepSchema('revolve', {
  effect,
  /** Half the section: x is the distance from the axis, y the height along it. */
  profile: pointsSchema,
  /** Corners of the profile, and so rims of the solid, that are rounded or cut off. */
  corners: corners.optional(),
  deg: angle(1, 360),
  facing,
  placement,
  free,
});
export type RevolveStep = z.infer<typeof schema>;

const AXIS: Record<Facing, string> = said({
  up: 'upright',
  down: 'upright, upside down',
  front: 'lying, towards the front',
  back: 'lying, towards the back',
  left: 'lying, towards the left',
  right: 'lying, towards the right',
});

const node = (xMm: number, yMm: number) => ({ xMm, yMm });
/** Half a profile of something that stands by itself, and of something on another step. */
const PEG = [node(0, 0), node(12, 0), node(12, 4), node(6, 12), node(6, 20), node(0, 20)];
const KNOB = [node(0, 0), node(4, 0), node(4, 2), node(3, 4), node(3, 5), node(0, 5)];

/** Turns a half profile about an axis. */
export const revolve: StepKind<RevolveStep> = {
  kind: 'revolve',
  get label() {
    return say('Turn a profile');
  },
  group: 'shape',
  offers: () => [
    {
      id: 'turned',
      label: say('Turn a profile'),
      wish: 'shape',
      words: say('spin round lathe vase bowl cup knob handle wheel cone pot'),
    },
  ],
  isGround: () => false,
  freely: (step) => setFree(step, 1.5),
  turnsProfile: true,

  create: (id, on) => ({
    id,
    kind: 'revolve',
    effect: 'add',
    profile: {
      shape: 'points',
      nodes: on === undefined ? PEG : KNOB,
      closed: true,
      smooth: false,
      mirrored: false,
    },
    deg: 360,
    facing: 'up',
    placement: centredOn(on, on === undefined ? fromPlate : onTop),
  }),

  following: (step, before) => ({
    ...step,
    placement: placedAs(step.effect, before.effect, step.placement, step.facing),
  }),

  sentence: (step, context) => [
    oneOf(['effect'], 'add, cut or keep', step.effect, {
      add: 'Turn a profile',
      cut: 'Cut a turned profile',
      keep: 'Keep only a turned profile',
    }),
    ...points.tokens(step.profile, ['profile'], context),
    ...cornerTokens(step.corners, step.profile),
    ...asideIf(
      step.deg === 360,
      text(', round by'),
      degrees(['deg'], step.deg, 'angle', { min: 1, max: 360 }),
    ),
    ...asideIf(step.facing === 'up', text(', its axis'), facingToken(step, 'axis', AXIS)),
    text(','),
    ...facedPlaceTokens(step, context),
    text('.'),
  ],

  additions: (step) => [...placeAdditions(step), ...cornerAdditions(step.corners, step.profile)],

  build(step, kit) {
    const drawn = drawnRegion(step.profile, { ...kit, fail: failingIn(kit, ['profile']) }, true);
    const { region: profile, corners: found } = withCorners(drawn, step.corners, step.profile, kit);
    const { x } = extentOf(profile);
    if (x.low < -1e-6) {
      return kit.fail(
        ['profile', 'nodes'],
        say('The profile crosses its axis: keep all of it on one side, at 0 or more.'),
      );
    }
    if (x.high < 1e-6)
      return kit.fail(
        ['profile', 'nodes'],
        say('The profile has no width: move a point away from the axis.'),
      );
    if (step.effect !== 'add' && !kit.partBox()) {
      return kit.fail(['effect'], say('There is no material yet: put this step after one that adds some.'));
    }
    const turned = kit.posed(kit.revolved(profile, step.deg), facingPose(step.facing));
    const placed = placeOf(step, [2 * x.high, 2 * x.high], kit);
    const by = shiftFor(placed, kit.boxOf(turned), kit.hostBox(step.placement.on));
    return {
      operations: [{ effect: step.effect, body: kit.posed(turned, shift(by)) }],
      outline: step.deg === 360 ? [circlePoints(x.high)] : undefined,
      corners: found.map(({ isOuter }) => ({ isOuter })),
    };
  },
};
