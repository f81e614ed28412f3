import { beforeAll, expect, it } from 'vitest';
import { classroomLimits, type SupportMark } from '@kelbrin/core/inspect';
import { nodeWorkshop } from '@kelbrin/core/node';
import { settingsFor, supportForms, type Estimate } from '@kelbrin/core/slice';
import type { Kernel } from '@kelbrin/core/solid';
import { postWithShelf } from '../../../../core/test/solids.ts';
import { heldByOf } from './heldBy.ts';
import { sliceHeldPart } from './heldPart.ts';

let kernel: Kernel;
beforeAll(async () => ({ kernel } = await nodeWorkshop()));

const holding = { ...classroomLimits, supports: 'plate' as const };
const supportLines = (
  settings = settingsFor(classroomLimits),
  card?: typeof holding,
  form = 'columns',
  marks: SupportMark[] = [],
) => {
  const choice = { set: 'everyday' as const, supportForm: supportForms.find((each) => each === form) };
  const { layers } = sliceHeldPart(
    kernel,
    postWithShelf(kernel),
    settings,
    choice,
    card && { limits: card, marks },
  );
  return layers.flatMap(({ paths }) => paths).filter(({ role }) => role === 'support').length;
};

it('a part has the supports that it was approved with, whatever the card of its neighbours says', () => {
  expect(supportLines(settingsFor(classroomLimits), holding)).toBeGreaterThan(0);
  expect(supportLines(settingsFor(holding))).toBe(0);
  // The shelf, seen from below.
  const free: SupportMark = { at: [17, 5, 14], wish: 'free' };
  expect(supportLines(undefined, holding, 'columns', [free])).toBe(0);
  expect(supportLines(undefined, holding, 'branches')).not.toBe(supportLines(undefined, holding));
});

it('is held by its own card if it was approved with supports, and else by none', () => {
  const estimate = { supports: { grams: 1, seconds: 60 } } as Estimate;
  expect(heldByOf({ estimate, limits: holding, supportMarks: [] })).toEqual({ limits: holding, marks: [] });
  expect(heldByOf({ estimate: {} as Estimate, limits: holding, supportMarks: [] })).toBeUndefined();
});
