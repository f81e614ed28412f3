import { describe, expect, it } from 'vitest';
import { label } from '../../test/recipes.ts';
import type { Inspection } from '../inspect/index.ts';
import { addMeasure, emptyRecipe, setField, setMeasure, type Recipe } from '../recipe/index.ts';
import {
  conditionKinds,
  conditionWords,
  parseGuidance,
  standingIn,
  withConditionField,
  type Condition,
  type Guidance,
} from './index.ts';

const inspected = (verdict: Inspection['verdict'], hole: Inspection['verdict'] = verdict) =>
  ({ verdict, checks: [{ id: 'hole', verdict: hole }] }) as Inspection;
const isDone = (until: Condition, recipe: Recipe, inspection?: Inspection) =>
  standingIn([{ id: 'p', words: 'Do it.', until }], new Set(), { recipe, inspection }).next === undefined;

/** The label with a measure of a name, used for its width or not. */
function withMeasure(name: string, isUsed: boolean): Recipe {
  const named = setMeasure(addMeasure(label()), 'measure1', { name, value: 8 });
  if (!named.ok) throw new Error(named.problem.message);
  if (!isUsed) return named.recipe;
  const used = setField(named.recipe, 's1', ['outline', 'widthMm'], { formula: `${name} * 8` });
  if (!used.ok) throw new Error(used.problem.message);
  return used.recipe;
}

describe('a condition', () => {
  it('on a measure holds when it is written down, in whatever case, or used', () => {
    const written: Condition = { kind: 'measure', name: 'cane', how: 'written' };
    const used: Condition = { ...written, how: 'used' };
    expect(
      [label(), withMeasure('Cane', false), withMeasure('Cane', true)].map((each) => isDone(written, each)),
    ).toEqual([false, true, true]);
    expect(
      [label(), withMeasure('Cane', false), withMeasure('Cane', true)].map((each) => isDone(used, each)),
    ).toEqual([false, false, true]);
  });

  it('on steps counts those of the kind that are switched on', () => {
    const holes: Condition = { kind: 'step', step: 'hole', atLeast: 1 };
    expect(isDone(holes, label())).toBe(true);
    expect(isDone({ ...holes, atLeast: 2 }, label())).toBe(false);
    const steps = label().steps.map((step) =>
      step.kind === 'hole' ? { ...step, off: true as const } : step,
    );
    expect(isDone(holes, { ...label(), steps })).toBe(false);
  });

  it('on letters holds once somebody has written words', () => {
    const letters: Condition = { kind: 'step', step: 'letters', atLeast: 1 };
    const words = (said: string) => ({
      ...label(),
      steps: label().steps.map((step) =>
        step.kind === 'letters' ? { ...step, lettering: { ...step.lettering, words: said } } : step,
      ),
    });
    expect([' Name ', 'Named', 'Basil'].map((said) => isDone(letters, words(said)))).toEqual([
      false,
      true,
      true,
    ]);
  });

  it('on a check holds when it found nothing that fails, whatever the others say', () => {
    const hole: Condition = { kind: 'check', check: 'hole' };
    expect(isDone(hole, label(), inspected('fail', 'warn'))).toBe(true);
    expect(isDone(hole, label(), inspected('fail', 'fail'))).toBe(false);
    expect(isDone(hole, label())).toBe(false);
  });

  it('on the inspection holds when nothing fails, and of no empty part', () => {
    expect(isDone({ kind: 'noneFails' }, label(), inspected('warn'))).toBe(true);
    expect(isDone({ kind: 'noneFails' }, label(), inspected('fail'))).toBe(false);
    expect(isDone({ kind: 'noneFails' }, emptyRecipe(), inspected('pass'))).toBe(false);
  });

  it('reads as the end of a sentence, and takes no value that it cannot have', () => {
    expect(conditionKinds.map((kind) => conditionWords(kind.create()))).toEqual([
      'the measure “cane” is written down',
      'the recipe has at least 1 step “Extrude a shape”',
      'the check “Holes” does not fail',
      'no check fails',
    ]);
    const step: Condition = { kind: 'step', step: 'hole', atLeast: 1 };
    expect(withConditionField(step, ['atLeast'], 21)).toEqual({ ok: false, message: 'from 1 to 20' });
    expect(withConditionField(step, ['step'], 'magic')).toEqual({
      ok: false,
      message: 'that cannot be chosen',
    });
    expect(withConditionField(step, ['step'], 'letters')).toEqual({
      ok: true,
      changed: { ...step, step: 'letters' },
    });
  });
});

describe('guidance', () => {
  const prompts: Guidance = [
    { id: 'a', words: 'Measure your cane.', until: { kind: 'measure', name: 'cane', how: 'written' } },
    { id: 'b', words: 'Sketch it on paper first.' },
    { id: 'c', words: 'Cut the hole.', until: { kind: 'step', step: 'hole', atLeast: 1 } },
  ];

  it('comes to the first prompt that is not done, even if a later one is', () => {
    const at = (recipe: Recipe, ...ticked: string[]) => standingIn(prompts, new Set(ticked), { recipe });
    expect(at(emptyRecipe())).toEqual({ done: [false, false, false], next: 0 });
    expect(at(label(), 'b')).toEqual({ done: [false, true, true], next: 0 });
    expect(at(withMeasure('cane', false))).toEqual({ done: [true, false, true], next: 1 });
    expect(at(withMeasure('cane', false), 'b')).toEqual({ done: [true, true, true] });
  });

  it('lets nobody tick by hand what a condition decides', () => {
    expect(standingIn(prompts, new Set(['a', 'b', 'c']), { recipe: emptyRecipe() }).next).toBe(0);
  });

  it('is refused with the prompt that is wrong', () => {
    expect(parseGuidance(prompts)).toEqual({ ok: true, guidance: prompts });
    expect(parseGuidance([prompts[0], { id: 'b', words: '  ' }])).toEqual({
      ok: false,
      message: 'prompt 2: say what to do',
    });
    expect(parseGuidance([prompts[0], prompts[0]])).toEqual({
      ok: false,
      message: 'two prompts have the same name',
    });
    const many = Array.from({ length: 21 }, (_, i) => ({ id: `p${i}`, words: 'Go on.' }));
    expect(parseGuidance(many)).toEqual({ ok: false, message: 'a brief gives at most 20 prompts' });
  });
});
