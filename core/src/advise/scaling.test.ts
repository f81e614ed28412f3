import { beforeAll, describe, expect, it } from 'vitest';
import { nodeWorkshop } from '../../node/workshop.ts';
import { built, recipeWith, stepOf } from '../../test/evaluated.ts';
import { classroomLimits, inspect } from '../inspect/index.ts';
import type { Recipe } from '../recipe/index.ts';
import type { Workshop } from '../solid/index.ts';
import { adviceOnScaling } from './scaling.ts';

let workshop: Workshop;
beforeAll(async () => {
  workshop = await nodeWorkshop();
});

const inspected = (recipe: Recipe) => inspect(built(workshop, recipe).mesh, classroomLimits);
const advice = (recipe: Recipe) => adviceOnScaling(recipe, inspected(recipe), inspected);
const plate = stepOf('extrude', 's1', undefined, {
  outline: { shape: 'roundedRectangle', widthMm: 60, depthMm: 30, cornerMm: 0 },
  depth: { type: 'by', mm: 3 },
});
const hole = (mm: number) => stepOf('hole', 's2', 's1', { size: { by: 'diameter', mm } });
const scaled = (mm: number) => stepOf('scale', 's3', undefined, { to: { by: 'length', axis: 'x', mm } });

describe('advice on scaling', () => {
  it('names what falls under a limit because of it', () => {
    expect(advice(recipeWith([plate, hole(4), scaled(20)]))).toEqual({
      stepId: 's3',
      notes: [
        'Because of the scaling, “Holes” fails: it is 1.33 mm, and at least 2 mm is needed; unscaled it was 4 mm.',
      ],
    });
  });

  it('names what grows over a limit as well', () => {
    expect(advice(recipeWith([plate, scaled(300)]))?.notes[0]).toMatch(/“Size” fails: it is 300 mm.*at most/);
  });

  it('is silent about what was wrong before, and where nothing is scaled', () => {
    expect(advice(recipeWith([plate, hole(1), scaled(50)]))).toBeUndefined();
    expect(advice(recipeWith([plate, hole(4), scaled(50)]))).toBeUndefined();
    expect(advice(recipeWith([plate, hole(1)]))).toBeUndefined();
    expect(advice(recipeWith([plate, hole(4), { ...scaled(20), off: true }]))).toBeUndefined();
  });
});
