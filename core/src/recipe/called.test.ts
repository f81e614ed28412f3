import { describe, expect, it } from 'vitest';
import { recipeWith, stepOf, withField } from '../../test/evaluated.ts';
import { duplicateStep } from './edits.ts';
import { classroomPrinter, fittedDiameter } from './printer.ts';
import { knownValues, resolved } from './resolve.ts';
import { plainSentence } from './sentence.ts';
import { sentenceOf, type Step } from './steps/index.ts';

const cane = { name: 'cane', value: 24 };
const plate = stepOf('extrude', 's1', undefined);
const hole = (id: string, called: string): Step =>
  stepOf('hole', id, 's1', { size: { by: 'fit', mm: { formula: 'cane' }, fit: 'snug' }, called });
const post = (formula: string): Step =>
  stepOf('solid', 's3', 's1', {
    solid: { type: 'cylinder', diameterMm: { formula }, heightMm: 10 },
  });
const recipe = recipeWith([plate, hole('s2', 'bore'), post('bore + 3')], [cane]);
/** How wide the post is that stands last. */
function postMm(steps: ReturnType<typeof resolved>): number {
  const { step } = steps.at(-1)!;
  return step.kind === 'solid' && step.solid.type === 'cylinder' ? step.solid.diameterMm : NaN;
}
const drawnMm = fittedDiameter(24, 'snug', classroomPrinter);

describe('the diameter that a hole worked out and named', () => {
  it('is a measure for the steps after it', () => {
    expect(postMm(resolved(recipe))).toBeCloseTo(drawnMm + 3, 5);
    expect(knownValues(recipe, classroomPrinter).get('bore')).toBeCloseTo(drawnMm, 9);
    expect(plainSentence(sentenceOf(recipe.steps[1], { recipe, index: 1 }))).toContain(
      'called “bore” elsewhere',
    );
  });

  it('goes with the printer, whose plastic shrinks by more', () => {
    const printer = { ...classroomPrinter, shrinkagePercent: 2 };
    const drawn = fittedDiameter(24, 'snug', printer);
    expect(drawn).toBeGreaterThan(drawnMm);
    expect(postMm(resolved(recipe, printer))).toBeCloseTo(drawn + 3, 5);
  });

  it('is not known before it, nor while the hole is switched off', () => {
    const [first, second, third] = recipe.steps;
    expect(() => resolved({ ...recipe, steps: [first, third, second] })).toThrow(/bore/);
    expect(() => resolved({ ...recipe, steps: [first, { ...second, off: true }, third] })).toThrow(/bore/);
  });

  it('has a name of its own', () => {
    expect(() => resolved({ ...recipe, steps: [plate, hole('s2', 'cane')] })).toThrow(/already/);
    expect(() => resolved({ ...recipe, steps: [plate, hole('s2', 'bore'), hole('s4', 'bore')] })).toThrow(
      /already/,
    );
    expect(duplicateStep(recipe, 's2')!.recipe.steps[2]).not.toHaveProperty('called');
  });

  it('takes the formulas along when it is called something else', () => {
    const renamed = withField(recipe, 's2', ['called'], 'socket');
    expect(renamed.steps[2]).toMatchObject({ solid: { diameterMm: { formula: 'socket + 3' } } });
  });
});
