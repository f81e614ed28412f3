import * as z from 'zod';
import { combined, shift, type Box, type Pose } from '../../mesh/index.ts';
import { length } from '../amount.ts';
import { normalOf, type Facing } from '../facing.ts';
import { axisIndex, type Placement } from '../placement.ts';
import { choice, millimetres, type Token } from '../sentence.ts';
import { facingToken } from './placed.ts';
import { said, say } from '../../words/index.ts';
import { asideIf } from '../shortSentence.ts';

/** How far something is raised or cut. */
export const depth = z.discriminatedUnion('type', [
  z.strictObject({ type: z.literal('by'), mm: length() }),
  /** From one end of the part to the other; for cuts and for keeping. */
  z.strictObject({ type: z.literal('through') }),
]);

/** What the words for a depth look at. */
interface Raised {
  readonly effect: 'add' | 'cut' | 'keep';
  readonly depth: z.infer<typeof depth>;
  readonly facing: Facing;
  readonly placement: Placement;
}

/** The facing and depth in words. */
export function depthTokens(step: Raised): Token[] {
  const { effect, depth } = step;
  const ways: Record<Facing, string> = {
    up: 'up',
    down: 'down',
    front: say('towards the front'),
    back: say('towards the back'),
    left: say('towards the left'),
    right: say('towards the right'),
  };
  if (effect === 'add' && depth.type === 'by') {
    return [facingToken(step, say('which way'), ways), millimetres(['depth', 'mm'], depth.mm, 'height')];
  }
  return [
    ...(depth.type === 'by' ? [millimetres(['depth', 'mm'], depth.mm, 'depth')] : []),
    choice(
      ['depth'],
      'how deep',
      [
        { label: 'right through', value: { type: 'through' } },
        { label: 'deep', value: { type: 'by', mm: 1 } },
      ],
      ({ value }) => (value as { type: string }).type === depth.type,
    ),
    ...asideIf(step.facing === 'up', facingToken(step, say('from which side'), fromSide)),
  ];
}

/** From which side something is cut, in words. */
export const fromSide: Record<Facing, string> = said({
  up: 'from above',
  down: 'from below',
  front: 'from the front',
  back: 'from the back',
  left: 'from the left',
  right: 'from the right',
});

/** How long a cut must be to go right through a part, and where it starts along the side's axis. */
export function throughPart(part: Box, side: Facing): { heightMm: number; startMm: number } {
  const { axis, isHigh } = normalOf[side];
  const [low, high] = [part.min[axisIndex[axis]], part.max[axisIndex[axis]]];
  return { heightMm: high - low, startMm: isHigh ? low : high };
}

/** The pose with the foot of the thing at a place along the side's axis, whatever the placement says there. */
export function atStart(pose: Pose, side: Facing, startMm: number): Pose {
  const { axis } = normalOf[side];
  const by: [number, number, number] = [0, 0, 0];
  by[axisIndex[axis]] = startMm - pose[12 + axisIndex[axis]];
  return combined(shift(by), pose);
}
