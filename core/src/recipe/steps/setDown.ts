import * as z from 'zod';
import {
  combined,
  posed,
  shift,
  turn,
  turnDown,
  turnedBack,
  unmoved,
  type Pose,
  type Vec3,
} from '../../mesh/index.ts';
import { angle } from '../amount.ts';
import { evaluateAmount } from '../measures.ts';
import { clause, degrees, text } from '../sentence.ts';
import { stepSchema, type StepKind } from './stepKind.ts';
import { said, say } from '../../words/index.ts';

const face = z.union([
  z.strictObject({ kept: z.literal(true) }),
  /** The outward direction of the face that shall lie on the plate, as the part stands before this step. */
  z.strictObject({ normal: z.tuple([z.number(), z.number(), z.number()]) }),
]);
export type Face = z.infer<typeof face>;

export const schema = stepSchema('setDown', {
  face,
  turnDeg: angle().optional(),
});
export type SetDownStep = z.infer<typeof schema>;

/** Says which face of the whole part lies on the plate, and turns it there. */
export const setDown: StepKind<SetDownStep> = {
  kind: 'setDown',
  get label() {
    return say('Set the part down');
  },
  group: 'whole',
  offers: () => [
    {
      id: 'setDown',
      label: say('Set the part down'),
      wish: 'whole',
      words: say('stand lie lay turn rotate tip over flat side upright print'),
    },
  ],

  create: (id) => ({ id, kind: 'setDown', face: { kept: true } }),

  pickedFace(step, normal, measures) {
    const turned = step.turnDeg === undefined ? undefined : evaluateAmount(step.turnDeg, measures);
    return { normal: [...directionBefore(step, turned?.ok ? turned.value : 0, normal)] };
  },

  sentence: (step) => [
    text('Set the part down on'),
    { type: 'face', path: ['face'], label: say('face that lies on the plate'), words: faceWords(step.face) },
    ...(step.turnDeg === undefined
      ? []
      : clause(
          [text(', turned'), degrees(['turnDeg'], step.turnDeg, 'turned by', { nudge: 5 })],
          ['turnDeg'],
          'Do not turn it',
        )),
    text('.'),
  ],

  additions: (step) => [
    ...(step.turnDeg === undefined
      ? [{ label: say('turn it on the plate'), path: ['turnDeg'], value: 90 }]
      : []),
  ],

  build(step, kit) {
    if (!kit.partBox())
      return kit.fail(
        [],
        say('There is nothing to set down yet: put this step after one that adds material.'),
      );
    const down = 'normal' in step.face ? downFrom(step.face.normal) : unmoved;
    if (!down) return kit.fail(['face'], say('That is no direction: choose a face.'));
    const turned = combined(turn('z', step.turnDeg ?? 0), down);
    const box = kit.partBoxUnder(turned);
    // It stands where it stood, about the middle of the plate, with its lowest point on it.
    const by = shift([-(box.min[0] + box.max[0]) / 2, -(box.min[1] + box.max[1]) / 2, -box.min[2]]);
    return { operations: [], whole: combined(by, turned) };
  },
};

/**
 * The direction of a face before a part was set down, from the one it has as it lies: the turn is undone. The angle is
 * what `turnDeg` is worth.
 */
function directionBefore({ face: of }: SetDownStep, turnDeg: number, after: Vec3): Vec3 {
  const m = combined(turn('z', turnDeg), ('normal' in of && downFrom(of.normal)) || unmoved);
  return posed(turnedBack(m), after);
}

function downFrom(normal: readonly [number, number, number]): Pose | undefined {
  return Math.hypot(...normal) < 1e-6 ? undefined : turnDown(normal);
}

const WORDS: [readonly [number, number, number], string][] = said([
  [[0, 0, -1], 'its underside'],
  [[0, 0, 1], 'its top'],
  [[0, -1, 0], 'its front'],
  [[0, 1, 0], 'its back'],
  [[-1, 0, 0], 'its left side'],
  [[1, 0, 0], 'its right side'],
]);

/** A face in words: by its side if it lies square to one. */
export function faceWords(of: Face): string {
  if ('kept' in of) return say('the face it stands on');
  return sideWords(of.normal) ?? say('a slanting face');
}

/** The side of a part that looks in a direction, "its top"; undefined for one that slants. */
export function sideWords(normal: readonly [number, number, number]): string | undefined {
  const long = Math.hypot(...normal) || 1;
  return WORDS.find(([way]) => way.every((part, i) => Math.abs(part - normal[i] / long) < 1e-3))?.[1];
}
