import { beforeEach, describe, expect, it } from 'vitest';
import { designOf, recipeOf, type Design } from '@kelbrin/core/design';
import { classroomLimits } from '@kelbrin/core/inspect';
import type { Recipe } from '@kelbrin/core/recipe';
import { label } from '../../../../../core/test/recipes';
import { BenchState } from './bench.svelte';
import type { FromWorker, ToWorker } from '../worker/messages';
import type { WorkerLike } from '../worker/solidClient';

let asked: ToWorker[];
let saved: Design[];
let worker: WorkerLike;
let bench: BenchState;

beforeEach(() => {
  asked = [];
  saved = [];
  worker = { onmessage: null, postMessage: (message) => asked.push(message), terminate: () => {} };
  bench = new BenchState(
    designOf(label(), 'Label'),
    { limits: classroomLimits, brief: {}, filesAt: '/file/1' },
    worker,
    (design) => saved.push(design),
  );
});

const answer = (message: FromWorker) => worker.onmessage!({ data: message } as MessageEvent<FromWorker>);
const evaluations = () => asked.filter(({ kind }) => kind === 'evaluate');
const widthOf = ({ steps: [plate] }: Recipe) =>
  plate.kind === 'extrude' && plate.outline.shape === 'roundedRectangle' ? plate.outline.widthMm : undefined;
const solid = { mesh: { positions: new Float32Array(0), triangles: new Uint32Array(0) } } as never;

describe('the bench', () => {
  it('asks for the solid at once, and saves nothing that was not edited', () => {
    expect(evaluations()).toHaveLength(1);
    expect(saved).toEqual([]);
  });

  it('shows, evaluates and saves an edit', () => {
    answer({ kind: 'solid', job: 1, solid });
    bench.setField('s1', ['outline', 'widthMm'], 90);
    expect(widthOf(bench.recipe)).toBe(90);
    expect(widthOf((evaluations()[1] as { recipe: Recipe }).recipe)).toBe(90);
    expect(saved.map((design) => widthOf(recipeOf(design)))).toEqual([90]);
  });

  it('asks before a move leaves a step without what it names, and moves in what is there by then', () => {
    const order = () => bench.recipe.steps.map(({ id }) => id);
    bench.moveStep('s2', -1);
    expect(bench.asking.question).toMatchObject({ what: 'move', step: 2, broken: [1] });
    expect(order()).toEqual(['s1', 's2', 's3']);
    const mate = label();
    bench.replace(designOf({ ...mate, steps: mate.steps.slice(0, 2) }, 'Label'), 'saved');
    bench.asking.answer(true);
    expect(bench.asking.question).toBeUndefined();
    expect(order()).toEqual(['s2', 's1']);
    bench.undo();
    bench.moveStep('s2', -1);
    bench.asking.answer(false);
    expect(order()).toEqual(['s1', 's2']);
  });

  it('says why a value cannot be and leaves everything as it was', () => {
    const before = bench.recipe;
    bench.setField('s1', ['outline', 'widthMm'], 'wide');
    expect(bench.recipe).toBe(before);
    expect(bench.problem).toMatchObject({ stepId: 's1', path: ['outline', 'widthMm'] });
    expect(saved).toEqual([]);
  });

  it('keeps the last good solid while a recipe cannot be built', () => {
    answer({ kind: 'solid', job: 1, solid });
    bench.setField('s3', ['lettering', 'words'], '');
    answer({ kind: 'problem', job: 2, problem: { stepId: 's3', message: 'no letters' } });
    expect(bench.solid).toBe(solid);
    expect(bench.problem?.message).toBe('no letters');
    bench.setField('s3', ['lettering', 'words'], 'Fig');
    expect(bench.problem).toBeUndefined();
  });

  it('takes edits back and does them again, and saves each time', () => {
    bench.setField('s1', ['outline', 'widthMm'], 90);
    bench.removeStep('s2');
    bench.undo();
    expect(bench.recipe.steps).toHaveLength(3);
    bench.undo();
    expect(widthOf(bench.recipe)).toBe(84);
    expect(bench.history.canUndo).toBe(false);
    bench.redo();
    bench.redo();
    expect(bench.recipe.steps).toHaveLength(2);
    expect(bench.history.canRedo).toBe(false);
    expect(saved).toHaveLength(6);
  });

  it('takes up the inspection of the solid that is shown when it comes after it', () => {
    answer({ kind: 'solid', job: 1, solid });
    const inspection = { verdict: 'pass' } as never;
    answer({ kind: 'inspected', job: 1, inspection, steps: [] });
    expect(bench.solid).toMatchObject({ isInspected: true, inspection, steps: [] });
    expect(bench.solid!.mesh).toBe((solid as { mesh: unknown }).mesh);
  });

  it('marks a new step and unmarks a removed one', () => {
    bench.addStep('hole');
    expect(bench.marked).toBe('s4');
    bench.removeStep('s4');
    expect(bench.marked).toBeUndefined();
  });

  it('puts a state that another tab saved within reach of undo', () => {
    bench.setField('s1', ['outline', 'widthMm'], 90);
    bench.history.edited(designOf(label('Other')));
    bench.undo();
    expect(bench.recipe).toEqual(label('Other'));
  });

  it('asks for a new section when the solid changes under the cut, and for none when it is closed', () => {
    answer({ kind: 'solid', job: 1, solid });
    bench.showing.cutAt(1.2);
    const section = { zMm: 1.2, region: [], hanging: [], thin: [] };
    answer({ kind: 'section', job: 1, section });
    expect(bench.showing.part?.section).toEqual(section);
    bench.setField('s1', ['depth', 'mm'], 3);
    answer({ kind: 'solid', job: 2, solid });
    expect(asked.filter(({ kind }) => kind === 'section')).toHaveLength(2);
    bench.showing.cutAt(undefined);
    expect(bench.showing.part?.section).toBeUndefined();
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
    bench.showing.findRemedies(bench.solid!.inspection.checks[0].findings[0]);
    expect(asked.at(-1)).toMatchObject({ kind: 'remedies', checkId: 'wall', finding: 0 });
    answer({ kind: 'remedy', job: 1, remedy });
    expect(bench.showing.part?.remedies).toMatchObject({
      found: [{ words: 'Make it thicker' }],
      isSearching: true,
    });
    answer({ kind: 'remedy', job: 1 });
    expect(bench.showing.part?.remedies!.isSearching).toBe(false);
    bench.apply(remedy);
    expect(bench.recipe).toEqual(label('Other'));
    bench.undo();
    expect(bench.recipe).toEqual(label());
  });

  it('of an earlier question, or of a solid that was edited since, are not shown', () => {
    answer({ kind: 'solid', job: 1, solid: inspected });
    const [first] = bench.solid!.inspection.checks[0].findings;
    bench.showing.findRemedies(first);
    bench.showing.findRemedies(first);
    answer({ kind: 'remedy', job: 1, remedy });
    expect(bench.showing.part?.remedies!.found).toEqual([]);
    bench.setField('s1', ['depth', 'mm'], 3);
    answer({ kind: 'remedy', job: 2, remedy });
    expect(bench.showing.part?.remedies!.found).toEqual([]);
    answer({ kind: 'solid', job: 2, solid: inspected });
    expect(bench.showing.part?.remedies).toBeUndefined();
  });
});

it('shows no thickness of a solid that is no longer shown, and measures none for another part', () => {
  const map = { positions: new Float32Array(0), thicknessMm: new Float32Array(0) };
  answer({ kind: 'solid', job: 1, solid });
  bench.showing.showThickness(3);
  answer({ kind: 'thickness', job: 1, map });
  expect(bench.showing.part?.thickness).toBe(map);
  bench.setField('s1', ['depth', 'mm'], 3);
  answer({ kind: 'solid', job: 2, solid });
  expect(bench.showing.part?.thickness).toBeUndefined();
  const measurings = () => asked.filter(({ kind }) => kind === 'thickness').length;
  expect(measurings()).toBe(2);
  bench.parts.add();
  answer({ kind: 'solid', job: 3, solid });
  expect(measurings()).toBe(2);
});

describe('several parts', () => {
  const shown = () => bench.design.parts.find(({ id }) => id === bench.partId)!.name;

  it('are copied, named, deleted and brought back, each edit as one', () => {
    bench.parts.add();
    expect(shown()).toBe('Label 2');
    expect(bench.recipe).toEqual(label());
    expect(bench.parts.rename('Label')).toBe('There is a part called “Label” already: choose another name.');
    expect(bench.parts.rename('Thin label')).toBeUndefined();
    bench.parts.choose();
    bench.parts.remove();
    expect(shown()).toBe('Label');
    expect(bench.design.chosen).toBe('p1');
    bench.undo();
    expect(bench.design.chosen).toBe('p2');
    expect(bench.design.parts.map(({ name }) => name)).toEqual(['Label', 'Thin label']);
  });

  it('are edited apart, and undo shows the part that it changes', () => {
    bench.parts.add();
    bench.setField('s1', ['outline', 'widthMm'], 90);
    bench.showPart('p1');
    expect(widthOf(bench.recipe)).toBe(84);
    bench.setField('s1', ['outline', 'widthMm'], 50);
    bench.showPart('p2');
    bench.undo();
    expect([shown(), widthOf(bench.recipe)]).toEqual(['Label', 84]);
    bench.undo();
    expect([shown(), widthOf(bench.recipe)]).toEqual(['Label 2', 84]);
    bench.undo();
    expect(shown()).toBe('Label');
  });

  it('leave nothing of one another on the bench', () => {
    answer({ kind: 'solid', job: 1, solid });
    bench.marked = 's2';
    bench.parts.add({ name: 'Empty', recipe: { ...label(), steps: [] } });
    expect([bench.solid, bench.marked]).toEqual([undefined, undefined]);
    bench.parts.fill('Round', label('Round'));
    expect(shown()).toBe('Round');
  });

  it('share a measure, whichever of them it is changed in', () => {
    bench.addMeasure();
    bench.parts.add();
    bench.shareMeasure('a', true);
    bench.showPart('p1');
    bench.setMeasure('a', { value: 12 });
    bench.showPart('p2');
    expect(bench.measures.get('a')).toBe(12);
    bench.removeMeasure('a');
    expect(bench.recipe.measures).toEqual([]);
  });
});

describe('what cannot be kept', () => {
  const steps = (count: number) =>
    Array.from({ length: count }, (_, i) => ({ ...label().steps[0], id: `s${i + 1}` }));
  const holding = (recipe: Partial<Recipe>) =>
    bench.replace(designOf({ ...label(), ...recipe } as Recipe, 'Full'), 'saved');

  it('cannot come to be: a 201st step is refused in a sentence, added or copied', () => {
    holding({ steps: steps(200) });
    const before = bench.design;
    bench.addStep('hole');
    expect(bench.problem?.message).toBe('That cannot be: a recipe has at most 200 steps.');
    expect(bench.marked).toBeUndefined();
    bench.duplicateStep('s1');
    expect(bench.design).toBe(before);
    bench.removeStep('s200');
    bench.addStep('hole');
    expect(bench.recipe.steps).toHaveLength(200);
    expect(bench.problem).toBeUndefined();
  });

  it('nor a 51st measure, nor two of one name', () => {
    const measures = Array.from({ length: 50 }, (_, i) => ({ name: `measure${i + 1}`, value: i }));
    holding({ measures });
    const before = bench.design;
    for (let i = 0; i < 12; i++) bench.addMeasure();
    expect(bench.problem?.message).toBe('That cannot be: a part has at most 50 measures.');
    expect(bench.design).toBe(before);
    bench.removeMeasure('measure11');
    bench.setMeasure('measure12', { name: 'measure13' });
    expect(bench.problem?.message).toContain('already');
    for (let i = 0; i < 12; i++) bench.removeMeasure(`measure${i + 1}`);
    for (let i = 0; i < 13; i++) bench.addMeasure();
    const names = bench.recipe.measures.map(({ name }) => name);
    expect(new Set(names).size).toBe(names.length);
  });

  it('nor steps of one id, nor parts of one name, from a file or a remedy', () => {
    const before = bench.design;
    const twice = { ...label(), steps: [label().steps[0], label().steps[0]] };
    bench.parts.add({ name: 'Twice', recipe: twice });
    expect(bench.design).toBe(before);
    expect(bench.problem?.message).toMatch(/^That cannot be: .*earlier step/);
    expect(saved).toEqual([]);
  });
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
    bench.parts.add();
    answer({ kind: 'solid', job: 1, solid: shape(1) });
    expect(bench.solid).toBeUndefined();
    answer({ kind: 'estimate', job: 1, estimate: estimate(60) });
    expect(bench.showing.estimate).toBeUndefined();
    answer({ kind: 'solid', job: 2, solid: shape(2) });
    expect(bench.showing.part).toMatchObject({ partId: 'p2' });
    bench.showPart('p1');
    expect(bench.showing.part).toBeUndefined();
    answer({ kind: 'estimate', job: 2, estimate: estimate(120) });
    answer({ kind: 'inspected', job: 2, inspection: {} as never, steps: [] });
    expect(bench.showing.part).toBeUndefined();
  });

  it('is checked when every check has answered, and not while time and filament are unknown', () => {
    answer({ kind: 'solid', job: 1, solid: shape(1) });
    expect(bench.isCurrent).toBe(true);
    expect(bench.isChecked).toBe(false);
    answer({ kind: 'estimate', job: 1, estimate: estimate(60) });
    expect(bench.isChecked).toBe(true);
    bench.setField('s1', ['outline', 'widthMm'], 90);
    expect([bench.isCurrent, bench.isChecked]).toEqual([false, false]);
    // What printing took before is shown as what it is until there is something newer.
    answer({ kind: 'solid', job: 2, solid: shape(2) });
    expect(bench.showing.estimate?.seconds).toBe(60);
    expect([bench.showing.hasPrintNeeds, bench.isChecked]).toEqual([false, false]);
  });

  it('is exported only as it stands', () => {
    answer({ kind: 'solid', job: 1, solid: shape(1) });
    const exports = () => asked.filter(({ kind }) => kind === 'export').length;
    bench.export({} as never, () => {});
    expect(exports()).toBe(1);
    bench.setField('s3', ['lettering', 'words'], '');
    answer({ kind: 'problem', job: 2, problem: { stepId: 's3', message: 'no letters' } });
    expect(bench.isCurrent).toBe(false);
    bench.export({} as never, () => {});
    expect(exports()).toBe(1);
  });
});
