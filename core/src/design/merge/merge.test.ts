import { describe, expect, it } from 'vitest';
import { label } from '../../../test/recipes.ts';
import { recipeWith, stepOf } from '../../../test/evaluated.ts';
import {
  addMeasure,
  addStep,
  moveStep,
  referenceProblem,
  removeStep,
  setField,
  type FieldPath,
  type Recipe,
} from '../../recipe/index.ts';
import {
  addPart,
  choosePart,
  designOf,
  mergeDesigns,
  recipeOf,
  removeMeasure,
  removePart,
  renamePart,
  setMeasure,
  shareMeasure,
  withRecipe,
  withTheirChange,
  type Design,
  type EditedDesign,
} from '../index.ts';

const taken = (edited: EditedDesign): Design => {
  if (!edited.ok) throw new Error(edited.problem.message);
  return edited.design;
};
const withPlainRecipe = (design: Design, edit: (recipe: Recipe) => Recipe) =>
  withRecipe(design, 'p1', edit(recipeOf(design, 'p1')));
const put = (design: Design, stepId: string, path: FieldPath, value: unknown) =>
  withPlainRecipe(design, (recipe) => {
    const edited = setField(recipe, stepId, path, value);
    if (!edited.ok) throw new Error(edited.problem.message);
    return edited.recipe;
  });
const stepIn = (design: Design, stepId: string) =>
  recipeOf(design, 'p1').steps.find(({ id }) => id === stepId) as unknown as Record<string, never>;
const ids = (design: Design) => recipeOf(design, 'p1').steps.map(({ id }) => id);

/** A block with a hole and an eyelet, the measure `cane` = 8. */
const base = designOf(
  recipeWith(
    [
      stepOf('extrude', 's1', undefined, {}),
      stepOf('hole', 's2', 's1', { size: { by: 'diameter', mm: 3 } }),
      stepOf('eyelet', 's3', 's1'),
    ],
    [{ name: 'cane', value: 8 }],
  ),
);

function merged(mine: Design, theirs: Design, from = base) {
  const merge = mergeDesigns(from, mine, theirs);
  if (!merge) throw new Error('What comes of it cannot be kept.');
  return merge;
}

describe('what two people made of one design', () => {
  it('is both of it where they edited different steps, or fields of one step', () => {
    const mine = put(base, 's1', ['outline', 'widthMm'], 71);
    const theirs = put(put(base, 's2', ['size', 'mm'], 5), 's1', ['outline', 'depthMm'], 33);
    const { design, clashes } = merged(mine, theirs);
    expect(clashes).toEqual([]);
    expect(stepIn(design, 's1')).toMatchObject({ outline: { widthMm: 71, depthMm: 33 } });
    expect(stepIn(design, 's2')).toMatchObject({ size: { mm: 5 } });
  });

  it('asks only about the number that both changed, in words, and keeps the rest either way', () => {
    const mine = put(put(base, 's2', ['size', 'mm'], 5), 's1', ['outline', 'widthMm'], 71);
    const theirs = put(put(base, 's2', ['size', 'mm'], 4), 's3', ['holeMm'], 6);
    const { design, withMine, clashes } = merged(mine, theirs);
    expect(stepIn(design, 's2')).toMatchObject({ size: { mm: 4 } });
    expect(stepIn(withMine, 's2')).toMatchObject({ size: { mm: 5 } });
    for (const each of [design, withMine]) {
      expect(stepIn(each, 's1')).toMatchObject({ outline: { widthMm: 71 } });
      expect(stepIn(each, 's3')).toMatchObject({ holeMm: 6 });
    }
    expect(clashes).toHaveLength(1);
    expect(clashes[0].changes.map(({ words }) => words)).toEqual(['Step 2: diameter Ø 4 → Ø 5 mm']);
  });

  it('asks nothing where both changed a number to the same', () => {
    const { clashes, design } = merged(put(base, 's3', ['holeMm'], 6), put(base, 's3', ['holeMm'], 6));
    expect(clashes).toEqual([]);
    expect(stepIn(design, 's3')).toMatchObject({ holeMm: 6 });
  });

  it('has the steps that both added, the first saved first, each with what stands on it', () => {
    const mine = withPlainRecipe(base, (recipe) =>
      addStep(addStep(recipe, 'extrude', 's1'), 'letters', 's4'),
    );
    const theirs = withPlainRecipe(base, (recipe) => addStep(recipe, 'hole', 's1'));
    const { design, renamed } = merged(mine, theirs);
    expect(recipeOf(design).steps.map(({ kind }) => kind)).toEqual([
      'extrude',
      'hole',
      'eyelet',
      'hole',
      'extrude',
      'letters',
    ]);
    expect(stepIn(design, 's4')).toEqual(stepIn(theirs, 's4'));
    expect(stepIn(design, 's5')).toMatchObject({ kind: 'letters', placement: { on: { step: 's6' } } });
    expect(ids(renamed(mine))).toEqual(['s1', 's2', 's3', 's6', 's5']);
  });

  it('has two alike steps where both added one', () => {
    const more = withPlainRecipe(base, (recipe) => addStep(recipe, 'hole', 's1'));
    const other = withPlainRecipe(base, (recipe) => addStep(recipe, 'hole', 's1'));
    const moved = put(other, 's4', ['size', 'mm'], 2);
    expect(ids(merged(more, other).design)).toEqual(['s1', 's2', 's3', 's4', 's5']);
    expect(ids(merged(more, moved).design)).toEqual(['s1', 's2', 's3', 's4', 's5']);
  });

  it('lacks what one took out, and what stood on it stands where it stood', () => {
    const onTop = withPlainRecipe(base, (recipe) => addStep(recipe, 'extrude', 's3'));
    const mine = withPlainRecipe(onTop, (recipe) => removeStep(recipe, 's3'));
    const theirs = withPlainRecipe(onTop, (recipe) => addStep(recipe, 'letters', 's3'));
    const { design } = merged(mine, theirs, onTop);
    expect(ids(design)).toEqual(['s1', 's2', 's4', 's5']);
    expect(stepIn(design, 's4')).toMatchObject({ placement: { on: { step: 's1' } } });
    expect(stepIn(design, 's5')).toMatchObject({ placement: { on: { step: 's1' } } });
  });

  it('keeps a step that one took out while the other worked on it', () => {
    const mine = withPlainRecipe(base, (recipe) => removeStep(recipe, 's2'));
    const theirs = put(base, 's2', ['size', 'mm'], 4);
    expect(stepIn(merged(mine, theirs).design, 's2')).toEqual(stepIn(theirs, 's2'));
    expect(stepIn(merged(theirs, mine).design, 's2')).toEqual(stepIn(theirs, 's2'));
  });

  it('stands in the order in which each can name what comes before it', () => {
    const mine = withPlainRecipe(base, (recipe) => moveStep(recipe, 's3', -1));
    const theirs = put(base, 's3', ['placement', 'on'], { step: 's2' });
    const { design } = merged(mine, theirs);
    expect(ids(design)).toEqual(['s1', 's2', 's3']);
    const swapped = merged(
      mine,
      withPlainRecipe(base, (recipe) => addStep(recipe, 'letters', 's1')),
    );
    expect(ids(swapped.design)).toEqual(['s1', 's3', 's2', 's4']);
  });

  it('asks where each placed one step on the other', () => {
    const mine = put(base, 's3', ['placement', 'on'], { step: 's2' });
    const theirs = put(
      withPlainRecipe(base, (recipe) => moveStep(recipe, 's3', -1)),
      's2',
      ['placement', 'on'],
      { step: 's3' },
    );
    const { design, withMine, clashes } = merged(mine, theirs);
    expect(clashes).not.toEqual([]);
    for (const each of [design, withMine]) expect(referenceProblem(recipeOf(each))).toBeUndefined();
    expect(ids(design)).toEqual(['s1', 's3', 's2']);
    expect(ids(withMine)).toEqual(['s1', 's2', 's3']);
  });

  it('has formulas of both under the name that one gave a measure', () => {
    const mine = taken(setMeasure(base, 'p1', 'cane', { name: 'bamboo' }));
    const theirs = put(base, 's2', ['size', 'mm'], { formula: 'cane + 0.4' });
    for (const { design, clashes } of [merged(mine, theirs), merged(theirs, mine)]) {
      expect(clashes).toEqual([]);
      expect(stepIn(design, 's2')).toMatchObject({ size: { mm: { formula: 'bamboo + 0.4' } } });
      expect(recipeOf(design).measures).toEqual([{ name: 'bamboo', value: 8 }]);
    }
  });

  it('keeps a measure that one took out and the other uses', () => {
    const mine = taken(removeMeasure(base, 'p1', 'cane'));
    const theirs = put(base, 's2', ['size', 'mm'], { formula: 'cane / 2' });
    expect(recipeOf(merged(mine, theirs).design).measures).toEqual([{ name: 'cane', value: 8 }]);
  });

  it('shares a measure that one shared, with the value that the other gave it', () => {
    const mine = taken(shareMeasure(base, 'p1', 'cane'));
    const theirs = taken(setMeasure(base, 'p1', 'cane', { value: 11 }));
    for (const { design } of [merged(mine, theirs), merged(theirs, mine)])
      expect(recipeOf(design).measures).toEqual([{ name: 'cane', value: 11, shared: true }]);
  });

  it('asks about two measures of one name that differ', () => {
    const more = withPlainRecipe(base, addMeasure);
    const { design, withMine, clashes } = merged(
      taken(setMeasure(more, 'p1', 'a', { value: 3 })),
      taken(setMeasure(more, 'p1', 'a', { value: 4 })),
    );
    expect(recipeOf(design).measures.at(-1)).toEqual({ name: 'a', value: 4 });
    expect(recipeOf(withMine).measures.at(-1)).toEqual({ name: 'a', value: 3 });
    expect(clashes[0].changes[0].words).toBe('The measure a: 4 → 3');
  });

  it('has the parts of both, each with a name and an id of its own, and a part to hand in', () => {
    const mine = addPart(base, 'Lid', label());
    const theirs = addPart(base, 'Lid', recipeOf(base));
    if (!mine.ok || !theirs.ok) throw new Error('A part could not be added.');
    const { design } = merged(choosePart(mine.design, 'p2'), theirs.design);
    expect(design.parts.map(({ id, name }) => [id, name])).toEqual([
      ['p1', 'Part'],
      ['p2', 'Lid'],
      ['p3', 'Lid 2'],
    ]);
    expect(design.chosen).toBe('p3');
    expect(recipeOf(design, 'p3')).toEqual(label());
  });

  it('keeps a part that one deleted while the other worked on it, and always one', () => {
    const two = addPart(base, 'Lid', label());
    if (!two.ok) throw new Error(two.problem.message);
    const without = (id: string) => taken(removePart(two.design, id));
    expect(merged(without('p1'), without('p2'), two.design).design.parts.map(({ id }) => id)).toEqual(['p1']);
    const worked = put(two.design, 's2', ['size', 'mm'], 4);
    expect(merged(without('p1'), worked, two.design).design.parts.map(({ id }) => id)).toEqual(['p1', 'p2']);
    const named = taken(renamePart(two.design, 'p2', 'Deckel'));
    expect(merged(named, worked, two.design).design.parts.map(({ name }) => name)).toEqual([
      'Part',
      'Deckel',
    ]);
  });

  it('is refused where both together are more than a project holds', () => {
    const many = (from: number, to: number, name: string) =>
      Array.from({ length: to - from }).reduce<Design>((design, _, i) => {
        const added = addPart(design, `${name} ${i}`, label());
        return added.ok ? added.design : design;
      }, base);
    expect(mergeDesigns(base, many(1, 12, 'Mine'), many(1, 12, 'Theirs'))).toBeUndefined();
  });

  it('has the pieces and the points that both added to an outline', () => {
    const piece = (id: string, widthMm: number) => ({
      id,
      how: 'and',
      outline: { shape: 'heart', widthMm },
      place: { from: 'middle', xMm: 0, yMm: 0 },
    });
    const of = (...pieces: unknown[]) => put(base, 's1', ['outline'], { shape: 'combined', pieces });
    const { design, clashes } = merged(
      of(piece('p1', 10), {
        ...piece('p2', 11),
        place: { from: 'piece', piece: 'p1', x: { relation: 'centred' }, y: { relation: 'centred' } },
      }),
      of(piece('p1', 10), piece('p2', 12)),
      of(piece('p1', 10)),
    );
    expect(clashes).toEqual([]);
    const { outline } = stepIn(design, 's1') as unknown as {
      outline: { pieces: { id: string; outline: { widthMm: number } }[] };
    };
    expect(outline.pieces.map(({ id, outline: { widthMm } }) => [id, widthMm])).toEqual([
      ['p1', 10],
      ['p2', 12],
      ['p3', 11],
    ]);
  });

  it('keeps one shape where both chose another, and asks', () => {
    const mine = put(base, 's1', ['outline'], { shape: 'circle', diameterMm: 20 });
    const theirs = put(base, 's1', ['outline', 'widthMm'], 50);
    const { design, withMine, clashes } = merged(mine, theirs);
    expect(stepIn(design, 's1').outline).toEqual(stepIn(theirs, 's1').outline);
    expect(stepIn(withMine, 's1').outline).toEqual({ shape: 'circle', diameterMm: 20 });
    expect(clashes).toHaveLength(1);
  });
});

describe('a state to go back to', () => {
  it('takes back what I did, and nothing of what came in meanwhile', () => {
    const before = put(base, 's1', ['outline', 'widthMm'], 60);
    const mine = put(before, 's1', ['outline', 'widthMm'], 71);
    const now = merged(mine, put(before, 's2', ['size', 'mm'], 5), before).design;
    const back = withTheirChange(before, mine, now);
    expect(stepIn(back, 's1')).toMatchObject({ outline: { widthMm: 60 } });
    expect(stepIn(back, 's2')).toMatchObject({ size: { mm: 5 } });
  });

  it('leaves a number alone that the other one changed since', () => {
    const mine = put(base, 's2', ['size', 'mm'], 4);
    const now = put(mine, 's2', ['size', 'mm'], 5);
    expect(stepIn(withTheirChange(base, mine, now), 's2')).toMatchObject({ size: { mm: 5 } });
  });
});
