import { beforeAll, describe, expect, it } from 'vitest';
import { built as builtIn, genusOf, recipeWith, stepOf } from '../../../test/evaluated.ts';
import { nodeWorkshop } from '../../../node/workshop.ts';
import { boundsOf } from '../../mesh/index.ts';
import { plainSentence, sentenceOf, type Recipe, type Step } from '../../recipe/index.ts';
import { evaluate, type Workshop } from '../../solid/index.ts';

let workshop: Workshop;
beforeAll(async () => (workshop = await nodeWorkshop()));
const built = (...steps: Step[]) => builtIn(workshop, recipeWith(steps));
const boxOf = (...steps: Step[]) => {
  const { min, max } = boundsOf(built(...steps).mesh);
  return [...min, ...max].map((mm) => Math.round(mm * 100) / 100);
};
const problemOf = (recipe: Recipe) => {
  const result = evaluate(recipe, workshop);
  return result.ok ? undefined : result.problem.message;
};

/** A triangle with its right angle at the left, off the middle of the plate. */
const flag = stepOf('extrude', 's1', undefined, {
  outline: {
    shape: 'points',
    nodes: [[0, 0], [20, 0], [0, 12]].map(([xMm, yMm]) => ({ xMm, yMm })),
    closed: true,
    smooth: false,
    mirrored: false,
  },
  depth: { type: 'by', mm: 4 },
  placement: {
    on: { plate: true },
    x: { relation: 'at', own: 'low', mm: 5 },
    y: { relation: 'at', own: 'low', mm: 5 },
    z: { relation: 'at', own: 'low', mm: 0 },
  },
}); // oxfmt-ignore
const VOLUME = 480;
const scaled = (to: Extract<Step, { kind: 'scale' }>['to']) => stepOf('scale', 's2', undefined, { to });
const mirrored = (axis: 'x' | 'y' | 'z') => stepOf('mirror', 's2', undefined, { axis });
const wordsOf = (step: Step) => {
  const recipe = recipeWith([flag, step]);
  return plainSentence(sentenceOf(step, { recipe, index: 1 }));
};

describe('the whole part, scaled', () => {
  it('grows evenly about the middle of its foot', () => {
    const twice = scaled({ by: 'percent', percent: 200 });
    expect(built(flag, twice).volumeMm3).toBeCloseTo(8 * VOLUME, 2);
    expect(boxOf(flag, twice)).toEqual([-5, -1, 0, 35, 23, 8]);
    expect(wordsOf(twice)).toBe('Scale the whole part to 200% of its size.');
  });

  it('grows until it is as long as it shall be', () => {
    const wide = scaled({ by: 'length', axis: 'x', mm: 30 });
    expect(built(flag, wide).volumeMm3).toBeCloseTo(1.5 ** 3 * VOLUME, 2);
    expect(wordsOf(wide)).toBe('Scale the whole part until it is 30 mm wide.');
  });

  it('grows each way by itself, and says when walls become thinner', () => {
    const flat = scaled({ by: 'each', xPercent: 100, yPercent: 150, zPercent: 50 });
    expect(built(flag, flat).volumeMm3).toBeCloseTo(0.75 * VOLUME, 2);
    expect(boxOf(flag, flat)).toEqual([5, 2, 0, 25, 20, 2]);
    expect(built(flag, flat).steps[1].notes).toEqual([expect.stringContaining('50 % of its size')]);
    expect(wordsOf(flat)).toBe(
      'Scale the whole part each way by itself: 100% left to right, 150% front to back and 50% upwards.',
    );
  });

  it('says by how much to a tenth of a percent', () => {
    const { steps } = built(flag, scaled({ by: 'percent', percent: 33.37 }));
    expect(steps[1].notes.join()).toContain('Everything becomes 33.4 % of its size');
  });

  it('carries what is placed on it later, and its outline, along', () => {
    const wide = scaled({ by: 'each', xPercent: 200, yPercent: 100, zPercent: 100 });
    const lid = stepOf('extrude', 's3', 's1', {
      outline: { shape: 'ofStep', of: { step: 's1' }, growMm: 0 },
      depth: { type: 'by', mm: 1 },
    });
    expect(built(flag, wide, lid).volumeMm3).toBeCloseTo(2 * VOLUME + 240, 1);
    expect(boxOf(flag, wide, lid)).toEqual([-5, 5, 0, 35, 17, 5]);
  });

  it('must be there', () => {
    expect(problemOf(recipeWith([scaled({ by: 'percent', percent: 50 })]))).toContain('nothing to scale yet');
    expect(problemOf(recipeWith([mirrored('x')]))).toContain('nothing to mirror yet');
  });
});

describe('the whole part, mirrored', () => {
  it('is its mirror image where it stood, and the part again when it is mirrored twice', () => {
    const { mesh, volumeMm3 } = built(flag, mirrored('x'));
    expect(volumeMm3).toBeCloseTo(VOLUME, 3);
    expect(genusOf(mesh)).toBe(0);
    expect(boxOf(flag, mirrored('x'))).toEqual(boxOf(flag));
    // The right angle is at the right now.
    const upper = [...mesh.positions].flatMap((mm, i, all) => (i % 3 === 1 && mm > 16.9 ? all[i - 1] : []));
    expect(upper.every((x) => Math.abs(x - 25) < 0.01)).toBe(true);
    const twice = built(flag, mirrored('x'), { ...mirrored('x'), id: 's3' } as Step);
    expect([...twice.mesh.positions].sort()).toEqual([...built(flag).mesh.positions].sort());
    expect(wordsOf(mirrored('y'))).toBe('Mirror the whole part front to back.');
  });

  it('has a mirrored outline for the steps that take it up', () => {
    const lid = stepOf('extrude', 's3', 's1', {
      outline: { shape: 'ofStep', of: { step: 's1' }, growMm: 0 },
      depth: { type: 'by', mm: 1 },
    });
    const { volumeMm3 } = built(flag, mirrored('x'), lid);
    expect(volumeMm3).toBeCloseTo(VOLUME + 120, 2);
    const over = stepOf('extrude', 's3', 's1', {
      outline: { shape: 'ofStep', of: { step: 's1' }, growMm: 0 },
      effect: 'keep',
      depth: { type: 'through' },
    });
    expect(built(flag, mirrored('x'), over).volumeMm3).toBeCloseTo(VOLUME, 1);
  });

  it('stands on the plate upside down as well', () => {
    expect(boxOf(flag, mirrored('z'))).toEqual(boxOf(flag));
  });
});
