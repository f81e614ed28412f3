import { describe, expect, it } from 'vitest';
import { designOf, mergeDesigns, withRecipe, type Design } from '@kelbrin/core/design';
import { addStep, setField, type Recipe } from '@kelbrin/core/recipe';
import { label } from '../../../../../core/test/recipes';
import { solid, TestBench, widthOf } from './testBench';

const on = TestBench.forTests();
const { answer } = on;
/** The steps of a recipe with another width. */
const withWidth = (recipe: Recipe, widthMm: number) => {
  const edited = setField(recipe, 's1', ['outline', 'widthMm'], widthMm);
  return edited.ok ? edited.recipe.steps : [];
};
const shown = () => on.bench.design.parts.find(({ id }) => id === on.bench.partId)!.name;

describe('several parts', () => {
  it('are copied, named, deleted and brought back, each edit as one', () => {
    on.bench.parts.add();
    expect(shown()).toBe('Label 2');
    expect(on.bench.recipe).toEqual(label());
    expect(on.bench.parts.rename('Label')).toBe(
      'There is a part called “Label” already: choose another name.',
    );
    expect(on.bench.parts.rename('Thin label')).toBeUndefined();
    on.bench.parts.choose();
    on.bench.parts.remove();
    expect(shown()).toBe('Label');
    expect(on.bench.design.chosen).toBe('p1');
    on.bench.undo();
    expect(on.bench.design.chosen).toBe('p2');
    expect(on.bench.design.parts.map(({ name }) => name)).toEqual(['Label', 'Thin label']);
  });

  it('are edited apart, and undo shows the part that it changes', () => {
    on.bench.parts.add();
    on.bench.setField('s1', ['outline', 'widthMm'], 90);
    on.bench.showPart('p1');
    expect(widthOf(on.bench.recipe)).toBe(84);
    on.bench.setField('s1', ['outline', 'widthMm'], 50);
    on.bench.showPart('p2');
    on.bench.undo();
    expect([shown(), widthOf(on.bench.recipe)]).toEqual(['Label', 84]);
    on.bench.undo();
    expect([shown(), widthOf(on.bench.recipe)]).toEqual(['Label 2', 84]);
    on.bench.undo();
    expect(shown()).toBe('Label');
  });

  it('leave nothing of one another on the bench', () => {
    answer({ kind: 'solid', job: 1, solid });
    on.bench.marked = 's2';
    on.bench.parts.add({ name: 'Empty', recipe: { ...label(), steps: [] } });
    expect([on.bench.solid, on.bench.marked]).toEqual([undefined, undefined]);
    on.bench.parts.fill('Round', label('Round'));
    expect(shown()).toBe('Round');
  });

  it('share a measure, whichever of them it is changed in', () => {
    on.bench.measuring.add();
    on.bench.parts.add();
    on.bench.measuring.share('a', true);
    on.bench.showPart('p1');
    on.bench.measuring.set('a', { value: 12 });
    on.bench.showPart('p2');
    expect(on.bench.measures.get('a')).toBe(12);
    on.bench.measuring.remove('a');
    expect(on.bench.recipe.measures).toEqual([]);
  });
});

describe('what cannot be kept', () => {
  const steps = (count: number) =>
    Array.from({ length: count }, (_, i) => ({ ...label().steps[0], id: `s${i + 1}` }));
  const holding = (recipe: Partial<Recipe>) =>
    on.bench.replace(designOf({ ...label(), ...recipe } as Recipe, 'Full'), 'saved');

  it('cannot come to be: a 201st step is refused in a sentence, added or copied', () => {
    holding({ steps: steps(200) });
    const before = on.bench.design;
    on.bench.addStep({ offer: 'hole' });
    expect(on.bench.problem?.message).toBe('That cannot be: a recipe has at most 200 steps.');
    expect(on.bench.marked).toBeUndefined();
    on.bench.duplicateStep('s1');
    expect(on.bench.design).toBe(before);
    on.bench.removeStep('s200');
    on.bench.addStep({ offer: 'hole' });
    expect(on.bench.recipe.steps).toHaveLength(200);
    expect(on.bench.problem).toBeUndefined();
  });

  it('nor a 51st measure, nor two of one name', () => {
    const measures = Array.from({ length: 50 }, (_, i) => ({ name: `measure${i + 1}`, value: i }));
    holding({ measures });
    const before = on.bench.design;
    for (let i = 0; i < 12; i++) on.bench.measuring.add();
    expect(on.bench.problem?.message).toBe('That cannot be: a part has at most 50 measures.');
    expect(on.bench.design).toBe(before);
    on.bench.measuring.remove('measure11');
    on.bench.measuring.set('measure12', { name: 'measure13' });
    expect(on.bench.problem?.message).toContain('already');
    for (let i = 0; i < 12; i++) on.bench.measuring.remove(`measure${i + 1}`);
    for (let i = 0; i < 13; i++) on.bench.measuring.add();
    const names = on.bench.recipe.measures.map(({ name }) => name);
    expect(new Set(names).size).toBe(names.length);
  });

  it('nor steps of one id, nor parts of one name, from a file or a remedy', () => {
    const before = on.bench.design;
    const twice = { ...label(), steps: [label().steps[0], label().steps[0]] };
    on.bench.parts.add({ name: 'Twice', recipe: twice });
    expect(on.bench.design).toBe(before);
    expect(on.bench.problem?.message).toMatch(/^That cannot be: .*earlier step/);
    expect(on.saved).toEqual([]);
  });
});

describe('somebody else’s work', () => {
  /** What comes in when a team-mate did something to a state and it was merged with what is here. */
  function comeIn(theirs: Design, base: Design): void {
    const merge = mergeDesigns(base, on.bench.design, theirs)!;
    on.bench.takeIn(merge);
  }

  it('comes into all that can be gone back to: undo takes back what was done here alone', () => {
    const base = on.bench.design;
    on.bench.setField('s1', ['outline', 'widthMm'], 90);
    on.bench.setField('s1', ['outline', 'widthMm'], 70, 1);
    comeIn(withRecipe(base, 'p1', addStep(label(), 'hole', 's1')), base);
    expect(on.saved).toHaveLength(2);
    const steps = () => on.bench.recipe.steps.length;
    expect([widthOf(on.bench.recipe), steps()]).toEqual([70, label().steps.length + 1]);
    on.bench.undo();
    expect([widthOf(on.bench.recipe), steps()]).toEqual([90, label().steps.length + 1]);
    on.bench.undo();
    expect([widthOf(on.bench.recipe), steps()]).toEqual([84, label().steps.length + 1]);
    on.bench.redo();
    on.bench.redo();
    expect([widthOf(on.bench.recipe), steps()]).toEqual([70, label().steps.length + 1]);
  });

  it('leaves marked what was marked, though a new step gets another id, and takes back that step', () => {
    const base = on.bench.design;
    on.bench.addStep({ offer: 'hole' });
    const mine = on.bench.marked;
    comeIn(withRecipe(base, 'p1', addStep(label(), 'letters', 's1')), base);
    expect(on.bench.marked).not.toBe(mine);
    expect(on.bench.recipe.steps.at(-1)).toMatchObject({ id: on.bench.marked, kind: 'hole' });
    on.bench.undo();
    expect(on.bench.recipe.steps.map(({ kind }) => kind)).toEqual([
      ...label().steps.map(({ kind }) => kind),
      'letters',
    ]);
  });

  it('is not taken back, and what it came over is passed by', () => {
    on.bench.setField('s1', ['facing'], 'down');
    on.bench.setField('s1', ['outline', 'widthMm'], 90);
    const mine = on.bench.design;
    on.bench.takeIn({
      design: withRecipe(mine, 'p1', { ...on.bench.recipe, steps: withWidth(on.bench.recipe, 60) }),
      renamed: (state) => state,
    });
    on.bench.undo();
    expect(widthOf(on.bench.recipe)).toBe(60);
    expect(on.bench.recipe.steps[0]).not.toMatchObject({ facing: 'down' });
  });

  it('turns to no other part, unless the one that is shown is gone', () => {
    on.bench.parts.add();
    on.bench.showPart('p1');
    const base = on.bench.design;
    comeIn(withRecipe(base, 'p2', addStep(label(), 'hole', 's1')), base);
    expect(shown()).toBe('Label');
    const now = on.bench.design;
    comeIn({ ...now, parts: now.parts.slice(1), chosen: 'p2' }, now);
    expect(shown()).toBe('Label 2');
  });
});
