import * as z from 'zod';
import { combined, mirror as seenInMirror, shift, type Vec3 } from '../../mesh/index.ts';
import { axes, axisIndex } from '../placement.ts';
import { oneOf, text } from '../sentence.ts';
import { stepSchema, type StepKind } from './stepKind.ts';
import { say } from '../../words/index.ts';

export const schema = stepSchema('mirror', { axis: z.enum(axes) });
export type MirrorStep = z.infer<typeof schema>;

/** Turns the whole part into its mirror image where it stands: the left hand of a right one. */
export const mirror: StepKind<MirrorStep> = {
  kind: 'mirror',
  get label() {
    return say('Mirror the part');
  },
  group: 'whole',
  offers: () => [
    {
      id: 'mirror',
      label: say('Mirror the part'),
      wish: 'whole',
      words: say('flip reflect reverse other way round'),
    },
  ],

  create: (id) => ({ id, kind: 'mirror', axis: 'x' }),

  sentence: (step) => [
    text('Mirror the whole part'),
    oneOf(['axis'], 'which way it is mirrored', step.axis, {
      x: 'left to right',
      y: 'front to back',
      z: 'upside down',
    }),
    text('.'),
  ],

  build(step, kit) {
    const box = kit.partBox();
    if (!box)
      return kit.fail([], say('There is nothing to mirror yet: put this step after one that adds material.'));
    const at = axisIndex[step.axis];
    const by: [number, number, number] = [0, 0, 0];
    by[at] = box.min[at] + box.max[at];
    const there: Vec3 = by;
    return { operations: [], whole: combined(shift(there), seenInMirror(step.axis)) };
  },
};
