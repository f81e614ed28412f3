import { describe, expect, it } from 'vitest';
import { block } from '../../test/block.ts';
import { recipeWith, stepOf } from '../../test/evaluated.ts';
import { label } from '../../test/recipes.ts';
import {
  addMeasure,
  additionsOf,
  addStep,
  brokenBy,
  duplicateStep,
  moveStep,
  referenceProblem,
  removeStep,
  setField,
} from './index.ts';

describe('edits', () => {
  it('leave the recipe that went in as it was', () => {
    const before = label();
    const kept = structuredClone(before);
    setField(before, 's1', ['outline', 'widthMm'], 90);
    addStep(before, 'hole');
    moveStep(before, 's1', 1);
    removeStep(before, 's1');
    expect(before).toEqual(kept);
  });

  it('refuse a value that cannot be, and say at which field', () => {
    const result = setField(label(), 's1', ['outline', 'widthMm'], -3);
    expect(result).toMatchObject({ ok: false, problem: { stepId: 's1', path: ['outline', 'widthMm'] } });
  });

  it('never use an id again', () => {
    const added = addStep(removeStep(addStep(label(), 'hole'), 's4'), 'hole');
    expect(new Set(added.steps.map(({ id }) => id)).size).toBe(4);
  });

  it('number a first step 1, whatever a step that came from elsewhere is called', () => {
    const [first, ...rest] = label().steps;
    const named = { ...label(), steps: [{ ...first, id: 'plate' }].slice(0, 1) };
    expect(rest.length).toBeGreaterThan(0);
    expect(addStep(named, 'mirror').steps.map(({ id }) => id)).toEqual(['plate', 's1']);
  });

  it('put what stood on a removed step where that stood', () => {
    const without = removeStep(label(), 's1');
    expect(referenceProblem(without)).toBeUndefined();
    const on = without.steps.map((step) => 'placement' in step && step.placement.on);
    expect(on).toEqual([{ plate: true }, { plate: true }]);
  });

  it('can put a step before the one it is placed on, which is then said', () => {
    const moved = moveStep(label(), 's2', -1);
    expect(referenceProblem(moved)).toMatchObject({
      stepId: 's2',
      message:
        'Step 1 names step 2, which does not come before it: move that step up, or choose an earlier one.',
    });
  });
});

describe('more edits', () => {
  it('copy a step right behind it, under an id of its own', () => {
    const { recipe, copyId } = duplicateStep(label(), 's2')!;
    expect(recipe.steps.map(({ id }) => id)).toEqual(['s1', 's2', 's4', 's3']);
    expect(copyId).toBe('s4');
    expect(recipe.steps[2]).toEqual({ ...recipe.steps[1], id: 's4' });
  });

  it('leave a field out, or an entry of a list', () => {
    const repeat = addStep(label(), 'repeat');
    const twice = setField(repeat, 's4', ['of'], [{ step: 's1' }, { step: 's2' }]);
    const once = twice.ok && setField(twice.recipe, 's4', ['of', 0], undefined);
    expect(once && once.ok && once.recipe.steps[3]).toMatchObject({ of: [{ step: 's2' }] });
    const off = setField(label(), 's2', ['off'], true);
    const on = off.ok && setField(off.recipe, 's2', ['off'], undefined);
    expect(on).toEqual({ ok: true, recipe: label() });
  });

  it('take a removed step out of what repeats it', () => {
    const repeat = setField(addStep(label(), 'repeat'), 's4', ['of'], [{ step: 's1' }, { step: 's2' }]);
    if (!repeat.ok) throw new Error();
    expect(removeStep(repeat.recipe, 's2').steps.at(-1)).toMatchObject({ of: [{ step: 's1' }] });
  });

  it('let a repeat of everything since a removed step begin with the next one, if there is one', () => {
    const since = (step: string) => {
      const edited = setField(addStep(label(), 'repeat'), 's4', ['of'], { since: { step } });
      if (!edited.ok) throw new Error(edited.problem.message);
      return edited.recipe;
    };
    expect(removeStep(since('s2'), 's2').steps.at(-1)).toMatchObject({ of: { since: { step: 's3' } } });
    expect(removeStep(since('s3'), 's3').steps.at(-1)).toMatchObject({ of: [] });
    expect(removeStep(since('s2'), 's3').steps.at(-1)).toMatchObject({ of: { since: { step: 's2' } } });
  });

  it('say that a step names one that is switched off', () => {
    const off = setField(label(), 's1', ['off'], true);
    expect(off.ok && referenceProblem(off.recipe)).toMatchObject({
      stepId: 's2',
      message: 'Step 2 names step 1, which is switched off.',
    });
  });

  it('give measures names that are free', () => {
    const names = addMeasure(addMeasure(label())).measures.map(({ name }) => name);
    expect(names).toEqual(['a', 'b']);
  });
});

describe('a step that is taken out', () => {
  it('takes the colour along that was meant for it, and no other', () => {
    const wish = stepOf('colours', 's4', undefined, {
      changes: [
        { from: { by: 'step', of: { step: 's3' }, edge: 'low' }, colour: 'plum' },
        { from: { by: 'mm', mm: 1 }, colour: 'sand' },
      ],
    });
    const recipe = { ...label(), steps: [...label().steps, wish] };
    const rest = removeStep(recipe, 's3');
    expect(rest.steps.at(-1)).toMatchObject({ changes: [{ colour: 'sand' }] });
    expect(brokenBy(recipe, rest)).toEqual([]);
  });
});

describe('combined outlines', () => {
  it('take another piece, as many as a combined outline may have', () => {
    let recipe = recipeWith([
      stepOf('extrude', 's1', undefined, {
        outline: {
          shape: 'combined',
          pieces: [
            {
              id: 'p1',
              how: 'and',
              outline: { shape: 'circle', diameterMm: 9 },
              place: { from: 'middle', xMm: 0, yMm: 0 },
            },
          ],
        },
      }),
    ]);
    const offer = () => additionsOf(recipe.steps[0]).find(({ label }) => label === 'join another outline');
    for (let pieces = 2; pieces <= 20; pieces++) {
      const added = setField(recipe, 's1', offer()!.path, offer()!.value);
      if (!added.ok) throw new Error(added.problem.message);
      ({ recipe } = added);
      expect(recipe.steps[0]).toMatchObject({ outline: { pieces: { length: pieces } } });
    }
    expect(offer()).toBeUndefined();
    const dropped = setField(recipe, 's1', ['outline', 'pieces', 1], undefined);
    expect(dropped).toMatchObject({ ok: true, recipe: { steps: [{ outline: { pieces: { length: 19 } } }] } });
  });
});

it('leave what stood on a step without a place of its own on the plate', () => {
  const hole = stepOf('hole', 's3', 's2');
  const recipe = recipeWith([block, stepOf('setDown', 's2', undefined), hole]);
  const [, moved] = removeStep(recipe, 's2').steps;
  expect(moved).toMatchObject({ id: 's3', placement: { on: { plate: true } } });
});

it('move no step that is not there, and none beyond the ends', () => {
  const recipe = recipeWith([block, stepOf('hole', 's2', 's1')]);
  expect(moveStep(recipe, 'gone', 1)).toBe(recipe);
  expect(moveStep(recipe, 's1', -1)).toBe(recipe);
  expect(moveStep(recipe, 's2', 1)).toBe(recipe);
  expect(moveStep(recipe, 's1', 1).steps.map(({ id }) => id)).toEqual(['s2', 's1']);
});
