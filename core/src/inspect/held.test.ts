import { beforeAll, expect, it } from 'vitest';
import { nodeWorkshop } from '../../node/workshop.ts';
import { plateWithHole, postWithShelf } from '../../test/solids.ts';
import type { SolidMesh } from '../mesh/index.ts';
import type { Kernel } from '../solid/index.ts';
import {
  classroomLimits,
  inspect,
  Inspecting,
  withPrintNeeds,
  type BriefRules,
  type LimitsCard,
} from './index.ts';

let kernel: Kernel;
beforeAll(async () => ({ kernel } = await nodeWorkshop()));

const holding: LimitsCard = { ...classroomLimits, supports: 'plate' };
const brief: BriefRules = { mayBeHeld: true };
const heldBy = (mesh: SolidMesh, limits: LimitsCard, rules: BriefRules) =>
  new Inspecting(mesh, limits, { brief: rules }).heldFaces();
const of = (limits: LimitsCard, rules: BriefRules, id: string) =>
  inspect(postWithShelf(kernel), limits, { brief: rules }).checks.find((check) => check.id === id);

it.each([
  ['the card and the brief', holding, brief, 'warn'],
  ['the card alone', holding, {}, 'fail'],
  ['the brief alone', classroomLimits, brief, 'fail'],
] as const)(
  'what hangs is let through with supports where %s let it be held',
  (_, limits, rules, verdict) => {
    const overhang = of(limits, rules, 'overhang')!;
    expect(overhang.verdict).toBe(verdict);
    expect(overhang.measured).toBeCloseTo(90, 1);
    expect(overhang.findings[0].message.includes('Supports hold it')).toBe(verdict === 'warn');
    expect(of(limits, rules, 'supports') !== undefined).toBe(verdict === 'warn');
    expect(heldBy(postWithShelf(kernel), limits, rules).length > 0).toBe(verdict === 'warn');
  },
);

it('holds nothing of a part of which nothing hangs', () => {
  expect(heldBy(plateWithHole(kernel, 5), holding, brief)).toEqual([]);
});

it('says what supports take, and fails where none can reach', () => {
  const found = inspect(postWithShelf(kernel), holding, { brief });
  const supports = { minutes: 12, grams: 3.12, unheld: [], closedIn: [] };
  const with_ = (more: Partial<typeof supports> | { unheld: [number, number, number][] }) =>
    withPrintNeeds(found, { minutes: 40, grams: 9, supports: { ...supports, ...more } }, holding, brief);
  const check = (inspection: ReturnType<typeof with_>) =>
    inspection.checks.find(({ id }) => id === 'supports')!;
  const plain = with_({});
  expect(plain.verdict).toBe('warn');
  expect(check(plain).findings[0].message).toMatch(/^Held by supports: 3.1\sg, 12\smin\./);
  const unheld = with_({ unheld: [[15, 5, 14]] });
  expect(unheld.verdict).toBe('fail');
  expect(check(unheld).findings.at(-1)).toMatchObject({ verdict: 'fail', at: [15, 5, 14] });
  expect(check(with_({ closedIn: [[15, 5, 14]] } as never))).toMatchObject({ verdict: 'warn' });
});
