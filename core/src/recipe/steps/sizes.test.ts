import { beforeAll, describe, expect, it } from 'vitest';
import { nodeWorkshop } from '../../../node/workshop.ts';
import { built, recipeWith, stepOf } from '../../../test/evaluated.ts';
import { boundsOf } from '../../mesh/index.ts';
import { buildBudget } from '../../solid/buildBudget.ts';
import { evaluate, SolidCache, type Workshop } from '../../solid/index.ts';
import { fromFront, fromLeft, on } from '../../starters/places.ts';
import { setMeasure } from '../edits.ts';
import type { Measure } from '../measures.ts';
import type { Recipe } from '../recipe.ts';
import { plainSentence } from '../sentence.ts';
import { additionsOf, sentenceOf, type Step } from './index.ts';

let workshop: Workshop;
beforeAll(async () => (workshop = await nodeWorkshop()));

const cane: Measure = { name: 'cane', value: 8 };
const block = (fields: Partial<Extract<Step, { kind: 'extrude' }>> = {}): Step =>
  stepOf('extrude', 's1', undefined, {
    outline: { shape: 'roundedRectangle', widthMm: { formula: 'cane + 4' }, depthMm: 20, cornerMm: 0 },
    depth: { type: 'by', mm: 5 },
    ...fields,
  });
const hole: Step = stepOf('hole', 's2', 's1', {
  size: { by: 'diameter', mm: { formula: 'cane' } },
  depth: { type: 'through' },
  facing: 'up',
  placement: on('s1', { z: { relation: 'inFrom', edge: 'high', mm: 0 } }),
});
const sizes = (fields: Partial<Extract<Step, { kind: 'sizes' }>> = {}): Step =>
  stepOf('sizes', 's3', undefined, { of: { measure: 'cane' }, ...fields });
const family = (fields: Partial<Extract<Step, { kind: 'sizes' }>> = {}): Recipe =>
  recipeWith([block(), hole, sizes(fields)], [cane]);

/** The volume of a block around a hole as fine as it is built. */
const one = (mm: number) => built(workshop, recipeWith([block(), hole], [{ ...cane, value: mm }])).volumeMm3;
const sizeOf = (recipe: Recipe) => {
  const { min, max } = boundsOf(built(workshop, recipe).mesh);
  return [0, 1, 2].map((axis) => max[axis] - min[axis]);
};

describe('sizes of a measure', () => {
  it.each<[string, Extract<Step, { kind: 'sizes' }>['values'], number[]]>([
    ['growing', { by: 'growth', count: 4, more: 0.5 }, [8, 8.5, 9, 9.5]],
    ['shrinking', { by: 'growth', count: 3, more: -2 }, [8, 6, 4]],
    ['as they are listed', { by: 'list', values: [10, 5, 12] }, [8, 10, 5, 12]],
  ])('make the part again for each of them: %s', (_, values, all) => {
    const recipe = family({ values, apartMm: 3 });
    const { volumeMm3 } = built(workshop, recipe);
    expect(volumeMm3).toBeCloseTo(
      all.reduce((sum, mm) => sum + one(mm), 0),
      2,
    );
    // Side by side, so far apart.
    const wide = all.reduce((sum, mm) => sum + mm + 4, 0) + 3 * (all.length - 1);
    expect(sizeOf(recipe)[0]).toBeCloseTo(wide, 3);
    expect(sizeOf(recipe).slice(1)).toEqual([expect.closeTo(20, 3), expect.closeTo(5, 3)]);
  });

  it('are written out as they grew, and the next is as far from the last as that from the one before', () => {
    const grown = sizes({ values: { by: 'growth', count: 4, more: 0.5 } });
    const listed = sentenceOf(grown, { recipe: family(), index: 2 })
      .flatMap((token) => (token.type === 'choice' ? token.options.map(({ value }) => value) : []))
      .find((value) => (value as { by?: string })?.by === 'list');
    expect(listed).toEqual({ by: 'list', values: [8.5, 9, 9.5] });
    const nextAfter = (...values: number[]) =>
      additionsOf(sizes({ values: { by: 'list', values } }))
        .filter(({ path }) => path.join('.') === `values.values.${values.length}`)
        .map(({ value }) => value);
    expect(nextAfter(8, 9.5)).toEqual([11]);
    expect(nextAfter(8)).toEqual([9]);
  });

  it('grow by a millimetre each time, where nobody says by how much', () => {
    const grown = sentenceOf(sizes({ values: { by: 'list', values: [9] } }), { recipe: family(), index: 2 })
      .flatMap((token) => (token.type === 'choice' ? token.options.map(({ value }) => value) : []))
      .find((value) => (value as { by?: string })?.by === 'growth');
    expect(grown).toEqual({ by: 'growth', count: 3, more: 1 });
  });

  it('go on to the back, and follow the part and its measures', () => {
    expect(sizeOf(family({ axis: 'y', apartMm: 1 }))[1]).toBeCloseTo(3 * 20 + 2, 3);
    const other = recipeWith([block(), hole, sizes()], [{ ...cane, value: 11 }]);
    expect(built(workshop, other).volumeMm3).toBeCloseTo(one(11) + one(12) + one(13), 2);
  });

  it('are made anew where only a formula changed, and taken up again where nothing did', () => {
    const cache = new SolidCache();
    const volumeOf = (recipe: Recipe) => {
      const result = evaluate(recipe, workshop, { cache });
      if (!result.ok) throw new Error(result.problem.message);
      return result.volumeMm3;
    };
    const before = volumeOf(family());
    expect(volumeOf(family())).toBe(before);
    // Of the same size now, but no longer of the measure: the others have it too.
    const plain = recipeWith(
      [
        block({ outline: { shape: 'roundedRectangle', widthMm: 12, depthMm: 20, cornerMm: 0 } }),
        hole,
        sizes(),
      ],
      [cane],
    );
    expect(volumeOf(plain)).toBeCloseTo(
      [8, 9, 10].reduce((sum, mm) => sum + one(8) + volumeOfHole(8) - volumeOfHole(mm), 0),
      0,
    );
    cache.close();
  });

  it('are steps like others: what is in them is theirs, and later steps stand on them', () => {
    const top = stepOf('solid', 's4', 's3', {
      solid: { type: 'box', widthMm: 4, depthMm: 4, heightMm: 2 },
      placement: on('s3', { x: fromLeft(0), y: fromFront(0) }),
    });
    const { mesh, steps } = built(workshop, recipeWith([block(), hole, sizes(), top], [cane]));
    expect(new Set(mesh.stepOf)).toEqual(new Set([0, 1, 3]));
    expect(steps.map(({ notes }) => notes)).toEqual([[], [], [], []]);
  });

  it.each<[string, Recipe, string]>([
    [
      'no measure is chosen',
      recipeWith([block(), sizes({ of: undefined })], [cane]),
      'Choose the measure that differs',
    ],
    ['the measure is gone', recipeWith([sizesAfterBox(), sizes()], []), 'no measure “cane” any more'],
    ['nothing stands before it', recipeWith([sizes()], [cane]), 'nothing to make again yet'],
    [
      'it cannot be built when it grows',
      family({ values: { by: 'growth', count: 3, more: -15 } }),
      'with cane = −7',
    ],
    [
      'it cannot be built with one of them',
      family({ values: { by: 'list', values: [9, -20] } }),
      'with cane = −20',
    ],
  ])('say what is wrong where %s', (_, recipe, words) => {
    const result = evaluate(recipe, workshop);
    if (result.ok) throw new Error('It was built');
    expect(result.problem.message).toContain(words);
    expect(result.problem.stepId).toBe('s3');
    // The field that is wrong can be found in the sentence.
    const paths = sentenceOf(recipe.steps.at(-1)!, { recipe, index: recipe.steps.length - 1 }).map((token) =>
      'path' in token ? token.path.join() : '',
    );
    expect(['', ...paths]).toContain(result.problem.path?.join() ?? '');
  });

  it('are refused before they are put together where they come to more than a part can be', () => {
    const many = recipeWith(
      [
        block(),
        stepOf('repeat', 's2', undefined, {
          of: [{ step: 's1' }],
          pattern: { type: 'grid', columns: 5, columnMm: 30, rows: 5, rowMm: 30 },
        }),
        sizes({ values: { by: 'growth', count: 30, more: 0.1 } }),
      ],
      [cane],
    );
    // 25 blocks of 12 triangles each, thirty times.
    const result = evaluate(many, workshop, { budget: { ...buildBudget, triangles: 3000 } });
    expect(result.ok ? 'built' : result.problem.message).toMatch(/^Step 3: That comes to 3,300 triangles/);
  });

  it('say so where no step uses the measure', () => {
    const { steps } = built(workshop, recipeWith([sizesAfterBox(), sizes()], [cane]));
    expect(steps[1].notes).toEqual(['No step before this one uses “cane”, so all of them are alike.']);
  });

  it('read as a sentence, whose measure follows when it is called otherwise', () => {
    const recipe = family({ values: { by: 'list', values: [8.2, 8.4] } });
    const read = (of: Recipe) => plainSentence(sentenceOf(of.steps[2], { recipe: of, index: 2 }));
    expect(read(recipe)).toBe(
      'Make everything again with cane of 8.2 mm, 8.4 mm, in a row left to right, 5 mm apart.',
    );
    const renamed = setMeasure(recipe, 'cane', { name: 'rod' });
    if (!renamed.ok) throw new Error(renamed.problem.message);
    expect(read(renamed.recipe)).toContain('with rod of');
    expect(built(workshop, renamed.recipe).volumeMm3).toBeCloseTo(built(workshop, recipe).volumeMm3, 6);
  });
});

describe('measures in words', () => {
  const written = (words: string, measures: Measure[]) =>
    recipeWith(
      [
        block({ outline: { shape: 'roundedRectangle', widthMm: 60, depthMm: 20, cornerMm: 0 } }),
        stepOf('letters', 's2', 's1', {
          lettering: { words, font: 'sturdy', size: { by: 'height', mm: 8 } },
        }),
      ],
      measures,
    );
  const volume = (words: string, value: number) =>
    built(workshop, written(words, [{ ...cane, value }])).volumeMm3;

  it('are written as they are worth', () => {
    expect(volume('Ø {cane}', 8.25)).toBeCloseTo(volume('Ø 8.25', 1), 6);
    expect(volume('Ø {cane}', 9)).toBeCloseTo(volume('Ø 9', 1), 6);
  });

  it('stay words where there is no such measure', () => {
    expect(volume('{pot}', 8)).not.toBeCloseTo(volume('8', 8), 1);
  });

  it('follow when the measure is called otherwise', () => {
    const renamed = setMeasure(written('Ø {cane}', [cane]), 'cane', { name: 'rod' });
    expect(renamed.ok && renamed.recipe.steps[1]).toMatchObject({ lettering: { words: 'Ø {rod}' } });
  });
});

function sizesAfterBox(): Step {
  return stepOf('solid', 's1', undefined, { solid: { type: 'box', widthMm: 4, depthMm: 4, heightMm: 2 } });
}

function volumeOfHole(mm: number): number {
  return (mm + 4) * 20 * 5 - one(mm);
}
