import * as z from 'zod';
import { formatMeasured, millimetres, text } from '../../recipe/index.ts';
import { judge } from '../result/verdict.ts';
import type { RequirementKind } from './requirementKind.ts';
import { say } from '../../words/index.ts';

const sizeMm = z.number().min(1).max(1000);

export const schema = z.strictObject({
  kind: z.literal('box'),
  sizeMm: z.tuple([sizeMm, sizeMm, sizeMm]),
});
type Box = z.infer<typeof schema>;

/** A box that the part goes into, whichever of its sides it is laid on. */
export const box: RequirementKind<Box> = {
  kind: 'box',
  get label() {
    return say('A largest size');
  },
  create: () => ({ kind: 'box', sizeMm: [60, 40, 8] }),
  sentence: ({ sizeMm: [x, y, z] }) => [
    text('fits in'),
    millimetres(['sizeMm', 0], x, 'length', { min: 1 }),
    text('×'),
    millimetres(['sizeMm', 1], y, 'width', { min: 1 }),
    text('×'),
    millimetres(['sizeMm', 2], z, 'height', { min: 1 }),
  ],
  ofPart({ sizeMm: room }, { facts }) {
    const descending = (values: readonly number[]) => [...values].sort((a, b) => b - a);
    const own = descending(facts.sizeMm);
    // The longest side takes the longest room: if that does not fit, no other way of laying it does.
    const over = descending(room).map((mm, i) => ({
      own: own[i],
      mm,
      isFine: judge(own[i], 'atMost', mm) !== 'fail',
    }));
    const worst = over.find(({ isFine }) => !isFine);
    return {
      isMet: !worst,
      measured: worst?.own ?? own[0],
      limit: worst?.mm,
      unit: 'mm',
      said: say('it is {sizeMm} mm', {
        sizeMm: facts.sizeMm.map(formatMeasured).join(' × '),
      }),
    };
  },
};
