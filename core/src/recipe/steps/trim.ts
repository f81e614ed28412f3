import * as z from 'zod';
import { combined, shift, turn, type Box } from '../../mesh/index.ts';
import { angle, distance } from '../amount.ts';
import { clause, degrees, millimetres, oneOf, text } from '../sentence.ts';
import { stepSchema, type StepKind } from './stepKind.ts';
import { say } from '../../words/index.ts';

export const schema = stepSchema('trim', {
  /** What is cut away. */
  away: z.enum(['below', 'above', 'left', 'right', 'front', 'back']),
  /** Where the cut lies: a height above the plate, or a distance from the plate's middle to the right or the back. */
  atMm: distance(),
  /** How far the cut is tilted, ° from square. */
  tiltDeg: angle(-80, 80).optional(),
});
export type TrimStep = z.infer<typeof schema>;

const SIDES = {
  below: { axis: 'z', keepsHigh: true, words: 'below' },
  above: { axis: 'z', keepsHigh: false, words: 'above' },
  left: {
    axis: 'x',
    keepsHigh: true,
    get words() {
      return say('left of');
    },
  },
  right: {
    axis: 'x',
    keepsHigh: false,
    get words() {
      return say('right of');
    },
  },
  front: {
    axis: 'y',
    keepsHigh: true,
    get words() {
      return say('in front of');
    },
  },
  back: { axis: 'y', keepsHigh: false, words: 'behind' },
} as const;

/** Cuts away all that lies to one side of a plane: to make a flat base, say. */
export const trim: StepKind<TrimStep> = {
  kind: 'trim',
  get label() {
    return say('Trim off a side');
  },
  group: 'cut',
  offers: () => [
    {
      id: 'trim',
      label: say('Trim off a side'),
      wish: 'hole',
      words: say('slice cut half flat saw remove away'),
    },
  ],

  create: (id) => ({ id, kind: 'trim', away: 'below', atMm: 1 }),

  sentence: (step) => [
    text('Cut away everything'),
    oneOf(['away'], 'what is cut away', step.away, {
      below: 'below',
      above: 'above',
      left: 'left of',
      right: 'right of',
      front: 'in front of',
      back: 'behind',
    }),
    millimetres(['atMm'], step.atMm, 'where the cut lies', { min: -1000 }),
    ...(step.tiltDeg === undefined
      ? []
      : clause(
          [text(', tilted'), degrees(['tiltDeg'], step.tiltDeg, 'tilt', { min: -80, max: 80 })],
          ['tiltDeg'],
          'Cut square',
        )),
    text('.'),
  ],

  additions: (step) =>
    step.tiltDeg === undefined ? [{ label: say('tilt the cut'), path: ['tiltDeg'], value: 10 }] : [],

  build(step, kit) {
    const part = kit.partBox();
    if (!part)
      return kit.fail([], say('There is nothing to trim yet: put this step after one that adds material.'));
    const { axis, keepsHigh } = SIDES[step.away];
    // A block larger than the part, whose one face is the cut.
    const size = 3 * reachOf(part) + 10;
    const block = kit.stack([[[-size, -size], [size, -size], [size, size], [-size, size]]], [
      { atMm: keepsHigh ? -2 * size : 0, growMm: 0 },
      { atMm: keepsHigh ? 0 : 2 * size, growMm: 0 },
    ]); // oxfmt-ignore
    const stood = axis === 'z' ? turn('z', 0) : axis === 'x' ? turn('y', 90) : turn('x', -90);
    const tilted = turn(axis === 'x' ? 'y' : 'x', step.tiltDeg ?? 0);
    const at = { x: [step.atMm, 0, 0], y: [0, step.atMm, 0], z: [0, 0, step.atMm] } as const;
    const body = kit.posed(block, combined(shift(at[axis]), tilted, stood));
    return { operations: [{ effect: 'cut', body }], box: part };
  },
};

function reachOf({ min, max }: Box): number {
  return Math.max(...min.map(Math.abs), ...max.map(Math.abs));
}
