import { describe, expect, it } from 'vitest';
import { designOf, recipeOf } from '@kelbrin/core/design';
import type { Recipe } from '@kelbrin/core/recipe';
import { label } from '../../../../../core/test/recipes';
import { solid, TestBench, widthOf } from './testBench';

const on = TestBench.forTests();
const { answer, evaluations } = on;

describe('the bench', () => {
  it('asks for the solid at once, and saves nothing that was not edited', () => {
    expect(evaluations()).toHaveLength(1);
    expect(on.saved).toEqual([]);
  });

  it('shows, evaluates and saves an edit', () => {
    answer({ kind: 'solid', job: 1, solid });
    on.bench.setField('s1', ['outline', 'widthMm'], 90);
    expect(widthOf(on.bench.recipe)).toBe(90);
    expect(widthOf((evaluations()[1] as { recipe: Recipe }).recipe)).toBe(90);
    expect(on.saved.map((design) => widthOf(recipeOf(design)))).toEqual([90]);
  });

  it('asks before a move leaves a step without what it names, and moves in what is there by then', () => {
    const order = () => on.bench.recipe.steps.map(({ id }) => id);
    on.bench.moveStep('s2', -1);
    expect(on.bench.asking.question).toMatchObject({ what: 'move', step: 2, broken: [1] });
    expect(order()).toEqual(['s1', 's2', 's3']);
    const mate = label();
    on.bench.replace(designOf({ ...mate, steps: mate.steps.slice(0, 2) }, 'Label'), 'saved');
    on.bench.asking.answer(true);
    expect(on.bench.asking.question).toBeUndefined();
    expect(order()).toEqual(['s2', 's1']);
    on.bench.undo();
    on.bench.moveStep('s2', -1);
    on.bench.asking.answer(false);
    expect(order()).toEqual(['s1', 's2']);
  });

  it('says why a value cannot be and leaves everything as it was', () => {
    const before = on.bench.recipe;
    on.bench.setField('s1', ['outline', 'widthMm'], 'wide');
    expect(on.bench.recipe).toBe(before);
    expect(on.bench.problem).toMatchObject({ stepId: 's1', path: ['outline', 'widthMm'] });
    expect(on.saved).toEqual([]);
  });

  it('keeps the last good solid while a recipe cannot be built', () => {
    answer({ kind: 'solid', job: 1, solid });
    on.bench.setField('s3', ['lettering', 'words'], '');
    answer({ kind: 'problem', job: 2, problem: { stepId: 's3', message: 'no letters' } });
    expect(on.bench.solid).toBe(solid);
    expect(on.bench.problem?.message).toBe('no letters');
    on.bench.setField('s3', ['lettering', 'words'], 'Fig');
    expect(on.bench.problem).toBeUndefined();
  });

  it('takes edits back and does them again, and saves each time', () => {
    on.bench.setField('s1', ['outline', 'widthMm'], 90);
    on.bench.removeStep('s2');
    on.bench.undo();
    expect(on.bench.recipe.steps).toHaveLength(3);
    on.bench.undo();
    expect(widthOf(on.bench.recipe)).toBe(84);
    expect(on.bench.history.canUndo).toBe(false);
    on.bench.redo();
    on.bench.redo();
    expect(on.bench.recipe.steps).toHaveLength(2);
    expect(on.bench.history.canRedo).toBe(false);
    expect(on.saved).toHaveLength(6);
  });

  it('takes up the inspection of the solid that is shown when it comes after it', () => {
    answer({ kind: 'solid', job: 1, solid });
    const inspection = { verdict: 'pass' } as never;
    answer({ kind: 'inspected', job: 1, inspection, steps: [] });
    expect(on.bench.solid).toMatchObject({ isInspected: true, inspection, steps: [] });
    expect(on.bench.solid!.mesh).toBe((solid as { mesh: unknown }).mesh);
  });

  it('marks a new step and unmarks a removed one', () => {
    on.bench.addStep({ offer: 'hole' });
    expect(on.bench.marked).toBe('s4');
    on.bench.removeStep('s4');
    expect(on.bench.marked).toBeUndefined();
  });

  it('puts a state that another tab saved within reach of undo', () => {
    on.bench.setField('s1', ['outline', 'widthMm'], 90);
    on.bench.history.edited(designOf(label('Other')));
    on.bench.undo();
    expect(on.bench.recipe).toEqual(label('Other'));
  });

  it('asks for a new section when the solid changes under the cut, and for none when it is closed', () => {
    answer({ kind: 'solid', job: 1, solid });
    const cut = { across: 'z', atMm: 1.2 } as const;
    on.bench.showing.cutAt(cut);
    const section = { cut, region: [], hanging: [], thin: [] };
    answer({ kind: 'section', job: 1, section });
    expect(on.bench.showing.part?.section).toEqual(section);
    on.bench.setField('s1', ['depth', 'mm'], 3);
    answer({ kind: 'solid', job: 2, solid });
    expect(on.asked.filter(({ kind }) => kind === 'section')).toHaveLength(2);
    on.bench.showing.cutAt(undefined);
    expect(on.bench.showing.part?.section).toBeUndefined();
  });
});

describe('remedies', () => {
  const finding = {
    verdict: 'fail',
    measured: 1,
    unit: 'mm',
    at: [0, 0, 0],
    message: 'thin',
    steps: ['s1'],
    triangles: [],
  };
  const check = {
    id: 'wall',
    title: 'Walls',
    verdict: 'fail',
    measured: 1,
    limit: 2,
    unit: 'mm',
    rule: 'atLeast',
    findings: [finding],
  };
  const inspection = { verdict: 'fail', part: {}, checks: [check] } as never;
  const inspected = { ...(solid as object), inspection, steps: [], isInspected: true } as never;
  const remedy = {
    cost: 1,
    words: 'Make it thicker',
    recipe: label('Other'),
    better: [],
    worse: [],
    failsLeft: 0,
    kind: 'k',
    checkId: 'wall',
  };

  it('are asked for one finding, come one by one, and are taken as one edit', () => {
    answer({ kind: 'solid', job: 1, solid: inspected });
    on.bench.showing.findRemedies(on.bench.solid!.inspection.checks[0].findings[0]);
    expect(on.asked.at(-1)).toMatchObject({ kind: 'remedies', checkId: 'wall', finding: 0 });
    answer({ kind: 'remedy', job: 1, remedy });
    expect(on.bench.showing.part?.remedies).toMatchObject({
      found: [{ words: 'Make it thicker' }],
      isSearching: true,
    });
    answer({ kind: 'remedy', job: 1 });
    expect(on.bench.showing.part?.remedies!.isSearching).toBe(false);
    on.bench.apply(remedy);
    expect(on.bench.recipe).toEqual(label('Other'));
    on.bench.undo();
    expect(on.bench.recipe).toEqual(label());
  });

  it('of an earlier question, or of a solid that was edited since, are not shown', () => {
    answer({ kind: 'solid', job: 1, solid: inspected });
    const [first] = on.bench.solid!.inspection.checks[0].findings;
    on.bench.showing.findRemedies(first);
    on.bench.showing.findRemedies(first);
    answer({ kind: 'remedy', job: 1, remedy });
    expect(on.bench.showing.part?.remedies!.found).toEqual([]);
    on.bench.setField('s1', ['depth', 'mm'], 3);
    answer({ kind: 'remedy', job: 2, remedy });
    expect(on.bench.showing.part?.remedies!.found).toEqual([]);
    answer({ kind: 'solid', job: 2, solid: inspected });
    expect(on.bench.showing.part?.remedies).toBeUndefined();
  });
});

it('shows no thickness of a solid that is no longer shown, and measures none for another part', () => {
  const map = { positions: new Float32Array(0), thicknessMm: new Float32Array(0) };
  answer({ kind: 'solid', job: 1, solid });
  on.bench.showing.showThickness(3);
  answer({ kind: 'thickness', job: 1, map });
  expect(on.bench.showing.part?.thickness).toBe(map);
  on.bench.setField('s1', ['depth', 'mm'], 3);
  answer({ kind: 'solid', job: 2, solid });
  expect(on.bench.showing.part?.thickness).toBeUndefined();
  const measurings = () => on.asked.filter(({ kind }) => kind === 'thickness').length;
  expect(measurings()).toBe(2);
  on.bench.parts.add();
  answer({ kind: 'solid', job: 3, solid });
  expect(measurings()).toBe(2);
});

describe('what is shown', () => {
  const shape = (mm: number) =>
    ({
      mesh: { positions: new Float32Array(9), triangles: new Uint32Array([0, 1, 2]) },
      inspection: { verdict: 'pass', checks: [], part: { sizeMm: [mm, mm, mm], triangles: 1 } },
      steps: [],
      isInspected: true,
    }) as never;
  const estimate = (seconds: number) => ({ seconds, filamentMm: 1, grams: 1, colourGrams: [1], layers: 1 });

  it('is never a solid of another part, not even while it is being built', () => {
    on.bench.parts.add();
    answer({ kind: 'solid', job: 1, solid: shape(1) });
    expect(on.bench.solid).toBeUndefined();
    answer({ kind: 'estimate', job: 1, estimate: estimate(60) });
    expect(on.bench.showing.estimate).toBeUndefined();
    answer({ kind: 'solid', job: 2, solid: shape(2) });
    expect(on.bench.showing.part).toMatchObject({ partId: 'p2' });
    on.bench.showPart('p1');
    expect(on.bench.showing.part).toBeUndefined();
    answer({ kind: 'estimate', job: 2, estimate: estimate(120) });
    answer({ kind: 'inspected', job: 2, inspection: {} as never, steps: [] });
    expect(on.bench.showing.part).toBeUndefined();
  });

  it('is checked when every check has answered, and not while time and filament are unknown', () => {
    answer({ kind: 'solid', job: 1, solid: shape(1) });
    expect(on.bench.isCurrent).toBe(true);
    expect(on.bench.isChecked).toBe(false);
    answer({ kind: 'estimate', job: 1, estimate: estimate(60) });
    expect(on.bench.isChecked).toBe(true);
    on.bench.setField('s1', ['outline', 'widthMm'], 90);
    expect([on.bench.isCurrent, on.bench.isChecked]).toEqual([false, false]);
    // What printing took before is shown as what it is until there is something newer.
    answer({ kind: 'solid', job: 2, solid: shape(2) });
    expect(on.bench.showing.estimate?.seconds).toBe(60);
    expect([on.bench.showing.hasPrintNeeds, on.bench.isChecked]).toEqual([false, false]);
  });

  it('is exported only as it stands', () => {
    answer({ kind: 'solid', job: 1, solid: shape(1) });
    const exports = () => on.asked.filter(({ kind }) => kind === 'export').length;
    on.bench.export({} as never, () => {});
    expect(exports()).toBe(1);
    on.bench.setField('s3', ['lettering', 'words'], '');
    answer({ kind: 'problem', job: 2, problem: { stepId: 's3', message: 'no letters' } });
    expect(on.bench.isCurrent).toBe(false);
    on.bench.export({} as never, () => {});
    expect(exports()).toBe(1);
  });
});
