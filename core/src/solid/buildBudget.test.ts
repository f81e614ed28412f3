import { beforeAll, describe, expect, it } from 'vitest';
import { block, square } from '../../test/block.ts';
import { recipeWith, stepOf } from '../../test/evaluated.ts';
import { nodeWorkshop } from '../../node/workshop.ts';
import type { Recipe } from '../recipe/index.ts';
import { fromFront, fromLeft, on } from '../starters/places.ts';
import { buildBudget } from './buildBudget.ts';
import { evaluate, SolidCache, type EvaluationOptions, type Workshop } from './index.ts';

let workshop: Workshop;
beforeAll(async () => (workshop = await nodeWorkshop()));
const problem = (recipe: Recipe, options?: EvaluationOptions) => {
  const result = evaluate(recipe, workshop, options);
  return result.ok ? undefined : result.problem;
};

const grid = (id: string, of: string, across: number) =>
  stepOf('repeat', id, undefined, {
    of: [{ step: of }],
    pattern: { type: 'grid', columns: across, columnMm: 5, rows: across, rowMm: 5 },
  });

describe('a recipe that multiplies', () => {
  it('is refused at the repeat of a repeat that makes too many copies', () => {
    const recipe = recipeWith([block, grid('s2', 's1', 20), grid('s3', 's2', 20)]);
    expect(problem(recipe)).toEqual({
      stepId: 's3',
      path: ['pattern'],
      message: 'Step 3: That makes 159,600 copies in all; a part can have 2,000. Lower one of the numbers.',
    });
  });

  it('is refused where many repeats come to too many copies together, also when only the last was changed', () => {
    const steps = [block, ...Array.from({ length: 6 }, (_, i) => grid(`s${i + 2}`, 's1', 6))];
    const budget = { ...buildBudget, copies: 200 };
    expect(problem(recipeWith(steps), { budget })).toMatchObject({ stepId: 's7' });
    const cache = new SolidCache();
    expect(problem(recipeWith(steps.slice(0, 6)), { budget, cache })).toBeUndefined();
    expect(problem(recipeWith(steps), { budget, cache })).toMatchObject({ stepId: 's7' });
    cache.close();
  });

  it('is refused where copies of a fine body come to too many triangles', () => {
    const ball = stepOf('solid', 's1', undefined, { solid: { type: 'ball', diameterMm: 40 } });
    expect(problem(recipeWith([ball, grid('s2', 's1', 20)]))?.message).toMatch(
      /^Step 2: That comes to [\d,]+ triangles; a part can have 300,000\./,
    );
  });

  it('is refused before a body is made that is finer than all bounds', () => {
    const ball = stepOf('solid', 's1', undefined, { solid: { type: 'ball', diameterMm: 40 } });
    const budget = { ...buildBudget, triangles: 1000 };
    expect(problem(recipeWith([ball]), { budget })?.message).toMatch(
      /^Step 1: That comes to [\d,]+ triangles/,
    );
  });

  it('is refused at the step after which it has taken too long', () => {
    const budget = { ...buildBudget, ms: 0 };
    expect(problem(recipeWith([block]), { budget })?.message).toMatch(/^Step 1: Building the part/);
  });

  it('may have hundreds of holes', () => {
    const plate = stepOf('extrude', 's1', undefined, { outline: square(100) });
    const hole = stepOf('hole', 's2', 's1', { placement: on('s1', { x: fromLeft(5), y: fromFront(5) }) });
    expect(problem(recipeWith([plate, hole, grid('s3', 's2', 18)]))).toBeUndefined();
  });
});
