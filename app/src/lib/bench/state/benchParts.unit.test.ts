import { describe, expect, it } from 'vitest';
import { designOf } from '@kelbrin/core/design';
import type { Recipe } from '@kelbrin/core/recipe';
import { label } from '../../../../../core/test/recipes';
import { solid, TestBench, widthOf } from './testBench';

const on = TestBench.forTests();
const { answer } = on;

describe('several parts', () => {
  const shown = () => on.bench.design.parts.find(({ id }) => id === on.bench.partId)!.name;

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
    on.bench.addMeasure();
    on.bench.parts.add();
    on.bench.shareMeasure('a', true);
    on.bench.showPart('p1');
    on.bench.setMeasure('a', { value: 12 });
    on.bench.showPart('p2');
    expect(on.bench.measures.get('a')).toBe(12);
    on.bench.removeMeasure('a');
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
    for (let i = 0; i < 12; i++) on.bench.addMeasure();
    expect(on.bench.problem?.message).toBe('That cannot be: a part has at most 50 measures.');
    expect(on.bench.design).toBe(before);
    on.bench.removeMeasure('measure11');
    on.bench.setMeasure('measure12', { name: 'measure13' });
    expect(on.bench.problem?.message).toContain('already');
    for (let i = 0; i < 12; i++) on.bench.removeMeasure(`measure${i + 1}`);
    for (let i = 0; i < 13; i++) on.bench.addMeasure();
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
