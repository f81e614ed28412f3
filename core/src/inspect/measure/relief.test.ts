import { beforeAll, describe, expect, it } from 'vitest';
import { block } from '../../../test/block.ts';
import { built, recipeWith, stepOf } from '../../../test/evaluated.ts';
import { nodeWorkshop } from '../../../node/workshop.ts';
import type { Placement, Step } from '../../recipe/index.ts';
import type { Workshop } from '../../solid/index.ts';
import { classroomLimits, inspect, type CheckResult } from '../index.ts';

let workshop: Workshop;
beforeAll(async () => {
  workshop = await nodeWorkshop();
});

/** What the check says of a block with the given steps. */
function relief(...steps: Step[]): CheckResult {
  const recipe = recipeWith([block, ...steps]);
  const { mesh, origin } = built(workshop, recipe);
  return inspect(mesh, classroomLimits, { origin }).checks.find(({ id }) => id === 'relief')!;
}

const letters = (effect: 'raised' | 'sunk' | 'through', byMm: number, more: object = {}) =>
  stepOf('letters', 's2', 's1', {
    lettering: { words: 'AB', font: 'sturdy', size: { by: 'height', mm: 8 } },
    effect,
    byMm,
    ...more,
  });
const shifted = (mm: number): { placement: Placement } => ({
  placement: {
    on: { step: 's1' },
    x: { relation: 'centred', mm },
    y: { relation: 'centred' },
    z: { relation: 'beside', edge: 'high', overlapMm: 0 },
  },
});

describe('relief', () => {
  it.each([
    ['raised', 0.4, 'fail'],
    ['raised', 0.6, 'warn'],
    ['raised', 1.2, 'pass'],
    ['sunk', 0.4, 'fail'],
    ['sunk', 0.8, 'pass'],
  ] as const)('of letters %s by %f mm: %s', (effect, mm, verdict) => {
    const result = relief(letters(effect, mm));
    expect(result.verdict).toBe(verdict);
    expect(result.measured).toBeCloseTo(mm, 2);
    expect(result.findings.flatMap(({ steps }) => steps)).toEqual(verdict === 'pass' ? [] : ['s2']);
  });

  it.each([
    ['raised', 0.4, 'These letters stand 0.4 mm high. Less than 0.6 mm hardly shows in print.'],
    ['sunk', 0.4, 'These letters lie 0.4 mm deep. Less than 0.6 mm hardly shows in print.'],
  ] as const)('of letters %s by %f mm is told in these words', (effect, mm, words) => {
    expect(relief(letters(effect, mm)).findings.map(({ message }) => message)).toEqual([words]);
  });

  it('of letters on a side face, and of ones turned with the whole part, is the same', () => {
    const onFront = letters('raised', 0.5, {
      facing: 'front',
      placement: {
        on: { step: 's1' },
        x: { relation: 'centred' },
        y: { relation: 'beside', edge: 'low', overlapMm: 0 },
        z: { relation: 'centred' },
      },
    });
    const turned = stepOf('setDown', 's3', undefined, { turnDeg: 30 });
    for (const steps of [[onFront], [onFront, turned]]) {
      expect(relief(...steps).measured).toBeCloseTo(0.5, 2);
    }
  });

  it('is nothing of letters that are level with what they stand on', () => {
    const level = letters('raised', 1, {
      placement: {
        on: { step: 's1' },
        x: { relation: 'centred' },
        y: { relation: 'centred' },
        z: { relation: 'inFrom', edge: 'high', mm: 0 },
      },
    });
    expect(relief(level)).toMatchObject({ verdict: 'fail', measured: 0 });
    expect(relief(level).findings[0].message).toContain('cannot be seen');
  });

  it('fails letters that run over an edge or into a hole, raised, sunk and cut through', () => {
    const hole = stepOf('hole', 's3', 's1', { placement: shifted(-3).placement });
    for (const effect of ['raised', 'sunk', 'through'] as const) {
      const over = relief(letters(effect, 1, shifted(18)));
      expect([effect, over.verdict]).toEqual([effect, 'fail']);
      expect(over.findings[0].message).toContain('run over an edge');
      expect([effect, relief(letters(effect, 1), hole).verdict]).toEqual([effect, 'fail']);
      expect([effect, relief(letters(effect, 1)).verdict]).toEqual([effect, 'pass']);
    }
  });

  it('measures figures too, which may run over an edge', () => {
    const figure = stepOf('extrude', 's2', 's1', {
      effect: 'cut',
      depth: { type: 'by', mm: 0.3 },
      placement: {
        on: { step: 's1' },
        x: { relation: 'inFrom', edge: 'low', mm: -3 },
        y: { relation: 'centred' },
        z: { relation: 'inFrom', edge: 'high', mm: 0 },
      },
    });
    const result = relief(figure);
    expect(result).toMatchObject({ verdict: 'fail' });
    expect(result.measured).toBeCloseTo(0.3, 2);
    expect(result.findings).toHaveLength(1);
  });

  it('is not looked for on a part without letters or figures', () => {
    expect(relief()).toMatchObject({ verdict: 'pass', measured: null, findings: [] });
  });
});
