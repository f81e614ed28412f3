import { beforeAll, expect, it } from 'vitest';
import { nodeWorkshop } from '../../../node/workshop.ts';
import { madeWith } from '../../../test/solids.ts';
import type { Workshop } from '../../solid/index.ts';
import { classroomLimits } from '../card/limits.ts';
import { hangingOf } from './ceilings.ts';
import { subjectOf } from './subject.ts';

let workshop: Workshop;
beforeAll(async () => (workshop = await nodeWorkshop()));

it('what hangs is told for the card that asks, whatever card asked before', () => {
  // A frustum that leans out by atan(10 / 10) = 45° all around.
  const mesh = madeWith(workshop.kernel, ({ Manifold }) => Manifold.cylinder(10, 10, 20, 64));
  const subject = subjectOf(mesh, {});
  const tooSteepAt = (maxOverhangDeg: number) =>
    hangingOf(subject, { ...classroomLimits, maxOverhangDeg }).tooSteep.length;
  expect([tooSteepAt(60), tooSteepAt(30), tooSteepAt(60)]).toEqual([0, 1, 0]);
  const first = hangingOf(subject, classroomLimits);
  expect(hangingOf(subject, { ...classroomLimits })).toBe(first);
});
