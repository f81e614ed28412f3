import { describe, expect, it } from 'vitest';
import { label } from '../../test/recipes.ts';
import { recipeWith, stepOf, withField } from '../../test/evaluated.ts';
import type { Recipe } from '../recipe/index.ts';
import {
  addPart,
  choosePart,
  copyPart,
  designDifferences,
  designOf,
  parseDesign,
  recipeOf,
  removeMeasure,
  removePart,
  renamePart,
  sameDesign,
  setMeasure,
  shareMeasure,
  unshareMeasure,
  withRecipe,
  type Design,
} from './index.ts';

const taken = <T extends { ok: boolean }>(result: T) => {
  if (!result.ok) throw new Error(JSON.stringify(result));
  return result as Extract<T, { ok: true }>;
};
const said = (result: { ok: true } | { ok: false; problem: { message: string } }) =>
  result.ok ? 'it was taken' : result.problem.message;

/** A block as wide as the measure `cane` and a bit. */
const fitting = (cane: number): Recipe =>
  recipeWith(
    [stepOf('extrude', 's1', undefined, { depth: { type: 'by', mm: { formula: 'cane + gap' } } })],
    [
      { name: 'cane', value: cane },
      { name: 'gap', value: { formula: 'cane / 20' } },
    ],
  );

/** A clip and its lid, each with measures of its own. */
function clipAndLid(): Design {
  return taken(addPart(designOf(fitting(8), 'Clip'), 'Lid', fitting(10))).design;
}
const valuesIn = (design: Design, partId: string) =>
  recipeOf(design, partId).measures.map(({ name, value, shared }) => [name, value, shared ?? false]);

describe('a design', () => {
  it('is read from what a project was when it was a single recipe', () => {
    const old = { ...label(), version: 2 };
    const { design } = taken(parseDesign(old));
    expect(recipeOf(design)).toEqual(label());
    expect(sameDesign(design, designOf(label()))).toBe(true);
    expect(taken(parseDesign(JSON.parse(JSON.stringify(clipAndLid())))).design).toEqual(clipAndLid());
  });

  it('refuses what it does not know, in one sentence', () => {
    expect(said(parseDesign({ ...clipAndLid(), version: 9 }))).toMatch(/^Kelbrin cannot read this design/);
    expect(said(parseDesign({ ...clipAndLid(), chosen: 'p7' }))).toContain('the part to hand in');
    expect(said(parseDesign(null))).toMatch(/^Kelbrin cannot read this design/);
    const broken = clipAndLid();
    broken.parts[1].recipe.steps.push({ kind: 'dance' } as never);
    expect(said(parseDesign(broken))).toMatch(/^Step 2/);
  });

  it.each([
    ['Clip', 'Clip 2'],
    ['Clip 8', 'Clip 9'],
    ['Ring 16', 'Ring 17'],
    ['8', '8 2'],
    ['Year 2026', 'Year 2026 2'],
    ['a name of forty letters, which is all it', 'a name of forty letters, which is a 2'],
  ])('names a copy of %s as one would, %s', (name, expected) => {
    const { design } = taken(addPart(designOf(label()), name, fitting(8)));
    const { design: copied, partId } = taken(copyPart(design, design.parts[1].id));
    expect(copied.parts.find(({ id }) => id === partId)!.name).toBe(expected);
    // And the next one after that.
    const again = taken(copyPart(copied, design.parts[1].id));
    expect(new Set(again.design.parts.map((part) => part.name)).size).toBe(4);
  });

  it('gives parts names and ids of their own, and keeps one to hand in', () => {
    const copied = taken(copyPart(clipAndLid(), 'p1'));
    expect(copied.design.parts.map(({ id, name }) => [id, name])).toEqual([
      ['p1', 'Clip'],
      ['p3', 'Clip 2'],
      ['p2', 'Lid'],
    ]);
    expect(recipeOf(copied.design, 'p3')).toEqual(recipeOf(copied.design, 'p1'));
    expect(said(renamePart(copied.design, 'p3', 'Lid'))).toBe(
      'There is a part called “Lid” already: choose another name.',
    );
    expect(said(renamePart(copied.design, 'p3', '  '))).toBe('Type a name for the part.');
    const chosen = choosePart(copied.design, 'p2');
    expect(taken(removePart(chosen, 'p2')).design.chosen).toBe('p1');
    expect(said(removePart(designOf(label()), 'p1'))).toBe(
      'A project has at least one part: add another before you delete this one.',
    );
  });

  it('keeps a part’s recipe and takes it back as it is', () => {
    const design = clipAndLid();
    expect(withRecipe(design, 'p2', recipeOf(design, 'p2'))).toEqual(design);
  });
});

describe('a shared measure', () => {
  const shared = () => taken(shareMeasure(clipAndLid(), 'p1', 'cane')).design;

  it('takes the place of others of its name and changes in all parts at once', () => {
    expect(valuesIn(shared(), 'p2')).toEqual([
      ['cane', 8, true],
      ['gap', { formula: 'cane / 20' }, false],
    ]);
    const changed = taken(setMeasure(shared(), 'p2', 'cane', { value: 9 })).design;
    expect(valuesIn(changed, 'p1')[0]).toEqual(['cane', 9, true]);
  });

  it('is renamed in the formulas of all parts', () => {
    const renamed = taken(setMeasure(shared(), 'p2', 'cane', { name: 'pole' })).design;
    for (const partId of ['p1', 'p2']) {
      expect(JSON.stringify(recipeOf(renamed, partId))).not.toContain('cane');
      expect(valuesIn(renamed, partId)[1]).toEqual(['gap', { formula: 'pole / 20' }, false]);
    }
    expect(said(setMeasure(shared(), 'p2', 'cane', { name: 'gap' }))).toBe(
      'There is a measure called “gap” already: choose another name.',
    );
    const apart = withRecipe(shared(), 'p1', {
      ...recipeOf(shared(), 'p1'),
      measures: [{ name: 'pole', value: 1 }, ...recipeOf(shared(), 'p1').measures],
    });
    expect(said(setMeasure(apart, 'p2', 'cane', { name: 'pole' }))).toBe(
      'The part “Clip” has a measure called “pole” already: choose another name.',
    );
  });

  it('can only use what is shared too', () => {
    expect(said(shareMeasure(clipAndLid(), 'p1', 'gap'))).toBe(
      '“gap” uses “cane”, which is not shared: share that one first.',
    );
    const both = taken(shareMeasure(shared(), 'p1', 'gap')).design;
    expect(said(unshareMeasure(both, 'p1', 'cane'))).toBe(
      'The shared measure “gap” uses “cane”: change “gap” first.',
    );
  });

  it('becomes the own measure of every part that uses it when it is shared no more', () => {
    const apart = taken(unshareMeasure(shared(), 'p1', 'cane')).design;
    expect(apart.measures).toEqual([]);
    for (const partId of ['p1', 'p2']) expect(valuesIn(apart, partId)[0]).toEqual(['cane', 8, false]);
    const removed = taken(removeMeasure(shared(), 'p1', 'cane')).design;
    expect(valuesIn(removed, 'p1').map(([name]) => name)).toEqual(['gap']);
    expect(valuesIn(removed, 'p2').map(([name]) => name)).toEqual(['cane', 'gap']);
  });

  it('goes along as a plain measure with a part that is added from a file', () => {
    const opened = taken(addPart(designOf(label()), 'Clip', recipeOf(shared(), 'p1')));
    expect(valuesIn(opened.design, opened.partId)).toEqual([
      ['cane', 8, false],
      ['gap', { formula: 'cane / 20' }, false],
    ]);
    expect(taken(parseDesign(opened.design)).design).toEqual(opened.design);
  });
});

describe('what changed between two states of a project', () => {
  it('is told part by part', () => {
    const before = clipAndLid();
    const wider = withRecipe(before, 'p1', withField(recipeOf(before, 'p1'), 's1', ['depth', 'mm'], 3));
    const renamed = taken(renamePart(taken(copyPart(wider, 'p1')).design, 'p2', 'Cover')).design;
    expect(designDifferences(before, choosePart(renamed, 'p2'))).toEqual([
      {
        changes: [
          { words: 'New part: Clip 2' },
          { words: 'The part Lid is called Cover' },
          { words: 'The part to hand in is Cover' },
        ],
      },
      {
        part: { id: 'p1', name: 'Clip' },
        changes: [{ stepId: 's1', words: 'Step 1: height (cane + gap) → 3 mm' }],
      },
    ]);
    expect(designDifferences(before, before)).toEqual([]);
    expect(designDifferences(renamed, before).flatMap(({ changes }) => changes)).toContainEqual({
      words: 'Gone: the part Clip 2',
    });
  });

  it('tells of a shared measure once', () => {
    const before = taken(shareMeasure(clipAndLid(), 'p1', 'cane')).design;
    const after = taken(setMeasure(before, 'p1', 'cane', { value: 9 })).design;
    expect(designDifferences(before, after)).toEqual([
      { changes: [{ words: 'The shared measure cane: 8 → 9' }] },
    ]);
  });
});
