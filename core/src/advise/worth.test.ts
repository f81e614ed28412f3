import { describe, expect, it } from 'vitest';
import type { CheckResult, Finding, Inspection } from '../inspect/index.ts';
import { block } from '../../test/block.ts';
import { recipeWith, stepOf } from '../../test/evaluated.ts';
import { setField } from '../recipe/index.ts';
import type { Tried } from './remedy.ts';
import { costOf, harms, mends, takesAway } from './worth.ts';

const finding = (steps: string[], more: Partial<Finding> = {}): Finding => ({
  verdict: 'fail',
  measured: 1,
  unit: 'mm',
  at: [0, 0, 0],
  message: '',
  steps,
  triangles: [],
  ...more,
});
const check = (findings: Finding[], more: Partial<CheckResult> = {}): CheckResult => ({
  id: 'wall',
  title: 'Walls',
  verdict: findings.some(({ verdict }) => verdict === 'fail') ? 'fail' : 'pass',
  measured: 1,
  limit: 2,
  unit: 'mm',
  rule: 'atLeast',
  findings,
  ...more,
});
const inspection = (checks: CheckResult[], volumeMm3 = 100, areaMm2 = 100): Inspection => ({
  verdict: 'pass',
  part: { sizeMm: [1, 1, 1], volumeMm3, areaMm2, triangles: 1, bodies: 1 },
  checks,
});

describe('a finding is gone', () => {
  const [one, other] = [finding(['s1']), finding(['s2'])];

  it('where its check finds nothing of the kind any more', () => {
    expect(mends(check([one]), check([]), one)).toBe(true);
    expect(mends(check([one, other]), check([other]), one)).toBe(true);
    expect(mends(check([one]), check([finding(['s1'], { verdict: 'warn' })]), one)).toBe(true);
  });

  it('not where it is still there, or moved to a neighbour', () => {
    expect(mends(check([one]), check([one]), one)).toBe(false);
    expect(mends(check([one, other]), check([one]), one)).toBe(false);
    expect(mends(check([one, other]), check([finding(['s1', 's3'])]), one)).toBe(false);
  });

  it('not where one of several of the same steps is left', () => {
    expect(mends(check([one, one, one]), check([one]), one)).toBe(false);
  });

  it('though what another requirement asks, or another unit counts, is not met', () => {
    const asked = finding([], { requirement: 0 });
    expect(mends(check([asked]), check([finding([], { requirement: 1 })]), asked)).toBe(true);
    expect(mends(check([one]), check([finding(['s1'], { unit: 'mm²' })]), one)).toBe(true);
  });
});

describe('a change does harm', () => {
  const passing = check([]);
  const failing = check([finding(['s1'])]);

  it('where a check fails that did not, or in more places', () => {
    expect(harms(inspection([passing]), inspection([failing]))).toBe(true);
    expect(harms(inspection([failing]), inspection([check([finding(['s1']), finding(['s2'])])]))).toBe(true);
  });

  it('not where what failed fails as before, or passes', () => {
    expect(harms(inspection([failing]), inspection([failing]))).toBe(false);
    expect(harms(inspection([failing]), inspection([passing]))).toBe(false);
  });
});

describe('a change takes something away', () => {
  const recipe = recipeWith([block, stepOf('hole', 's2', 's1', { size: { by: 'diameter', mm: 4 } })]);
  const wider = setField(recipe, 's2', ['size', 'mm'], 5);
  const changed = wider.ok ? wider.recipe : recipe;
  const box = { min: [0, 0, 0], max: [1, 1, 1] } as const;
  const hole = (through: boolean) =>
    finding(['s2'], { verdict: 'pass', hole: { axis: [0, 0, 1], depthMm: 10, through } });
  const tried = (areas: Record<string, number>, holes: Finding[]): Tried => ({
    mesh: { positions: new Float32Array(), triangles: new Uint32Array() },
    inspection: inspection([check(holes, { id: 'hole' })]),
    surfaceOf: new Map(Object.entries(areas).map(([id, areaMm2]) => [id, { areaMm2, box }])),
  });
  const before = tried({ s1: 1000, s2: 100 }, [hole(false)]);

  it('where hardly anything is left of a step', () => {
    const left = (areas: Record<string, number>) =>
      takesAway(before, tried(areas, [hole(false)]), recipe, changed);
    expect(left({ s1: 1000, s2: 100 })).toBe(false);
    expect(left({ s1: 300, s2: 100 })).toBe(false);
    expect(left({ s1: 200, s2: 100 })).toBe(true);
    // The step that is changed may well become small.
    expect(left({ s1: 1000, s2: 20 })).toBe(false);
    expect(left({ s1: 1000 })).toBe(true);
  });

  it('where a hole is a notch, or has lost its floor', () => {
    const areas = { s1: 1000, s2: 100 };
    expect(takesAway(before, tried(areas, []), recipe, changed)).toBe(true);
    expect(takesAway(before, tried(areas, [hole(true)]), recipe, changed)).toBe(true);
    expect(takesAway(before, tried(areas, [hole(false), hole(true)]), recipe, changed)).toBe(false);
  });
});

describe('the cost of a change', () => {
  it('is what it asks, twice its share of the volume, its share of the surface, and a little for a warning', () => {
    const before = inspection([check([])]);
    expect(costOf(1, before, before)).toBe(1);
    expect(costOf(1, before, inspection([check([])], 110))).toBeCloseTo(1.2, 9);
    expect(costOf(1, before, inspection([check([])], 100, 90))).toBeCloseTo(1.1, 9);
    expect(costOf(1.5, before, inspection([check([], { verdict: 'warn' })]))).toBeCloseTo(1.7, 9);
  });
});
