import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  emptyRecipe,
  namesIn,
  resolved,
  setMeasure,
  valuesOf,
  withRenamed,
  workOut,
  RecipeError,
} from './index.ts';
import { label } from '../../test/recipes.ts';

const measures = new Map([
  ['cane', 8],
  ['wall', 2.4],
  ['Höhe_2', 5],
]);
const value = (formula: string) => {
  const worked = workOut(formula, measures);
  if (!worked.ok) throw new Error(worked.message);
  return worked.value;
};

describe('a formula', () => {
  it.each([
    ['8', 8],
    ['2,5', 2.5],
    ['.5', 0.5],
    ['2in', 50.8],
    ['2 in + 1 cm', 60.8],
    ['1"', 25.4],
    ['45°', 45],
    ['cane + 0.4', 8.4],
    ['cane + 2 * wall', 12.8],
    ['(cane + 2) × wall', 24],
    ['cane / 2 / 2', 2],
    ['cane : 4', 2],
    ['10 − cane − 1', 1],
    ['-cane + 10', 2],
    ['−(cane − 10)', 2],
    ['Höhe_2 · 3', 15],
    ['3 * -2', -6],
    ['sqrt(2) * wall', Math.SQRT2 * 2.4],
    ['sin(30)', 0.5],
    ['cos(60°)', 0.5],
    ['tan (45)', 1],
    ['asin(0.5) + acos(0.5)', 90],
    ['atan(cane / 8)', 45],
    ['min(cane; wall; 5)', 2.4],
    ['max(1,5; 2, 3)', 3],
    ['max(cane;Höhe_2)', 8],
    ['abs(wall - cane)', 5.6],
    ['round(7.5)', 8],
    ['round(-7.5)', -8],
    ['round(7.3; 0.5)', 7.5],
    ['pi * cane', 8 * Math.PI],
    ['2 * π', 2 * Math.PI],
    ['min(max(cane; 10); 2 cm) + 1', 11],
  ])('%s is %d', (formula, expected) => expect(value(formula)).toBeCloseTo(expected, 6));

  it('keeps a measure that is called like a function or a number apart from it', () => {
    const named = new Map([
      ['max', 3],
      ['pi', 4],
    ]);
    expect(workOut('max(max; pi)', named)).toEqual({ ok: true, value: 4 });
    expect(namesIn('max(max; sqrt(pi))')).toEqual(['max', 'pi']);
    expect(withRenamed('max (max; 2)', 'max', 'most')).toBe('max (most; 2)');
  });

  it('does sums and products as school teaches them, for any numbers', () => {
    const number = fc.integer({ min: 1, max: 99 });
    fc.assert(
      fc.property(number, number, number, number, (a, b, c, d) => {
        expect(value(`${a} + ${b} * ${c} - ${d}`)).toBeCloseTo(a + b * c - d, 6);
        expect(value(`(${a} + ${b}) * (${c} - ${d})`)).toBeCloseTo((a + b) * (c - d), 6);
        expect(value(`${a} / ${b} * ${c}`)).toBeCloseTo((a / b) * c, 4);
      }),
    );
  });

  it.each([
    ['', 'Type a number'],
    ['cane +', 'missing at the end'],
    ['cane wall', 'does not understand “wall”'],
    ['pole * 2', '“pole” is not a number, and no measure is called that'],
    ['(1 + 2', 'A bracket is not closed'],
    ['1 + 2)', 'does not understand “)”'],
    ['3 foot', '“foot” is no unit'],
    ['5 / (cane - 8)', 'Nothing can be divided by 0'],
    ['2 ^ 3', '“^” cannot stand in a number'],
    ['root(4)', '“root” is no function: Kelbrin knows sqrt, sin, cos'],
    ['sqrt(3 - cane)', 'A number below 0 has no square root.'],
    ['tan(90)', 'The tangent of a right angle is without end.'],
    ['acos(cane)', '“acos” needs a number from −1 to 1.'],
    ['sqrt(1; 2)', '“sqrt” takes one number.'],
    ['min(3,4)', '“min” takes two numbers or more, with “;” between them.'],
    ['round(1; 2; 3)', '“round” takes one number, or two with “;” between them.'],
    ['round(1; 0)', 'What is rounded to must be more than 0.'],
    ['min(1; 2', 'A bracket is not closed'],
    ['max(1; )', 'does not understand “)”'],
    ['1; 2', 'does not understand “;”'],
  ])('%s is refused in a sentence', (formula, words) => {
    expect(workOut(formula, measures)).toMatchObject({
      ok: false,
      message: expect.stringContaining(words) as string,
    });
  });

  it.each([
    ['2in', '°', '“in” is for a length, and this is an angle.'],
    ['45°', 'mm', '“°” is for an angle, and this is a length.'],
    ['12%', 'mm', '“%” is for a share, and this is a length.'],
    ['3 cm', '', '“cm” is for a length, and this is a number without a unit.'],
    ['2 kg', 'min', '“kg” is for a weight, and this is a time.'],
  ] as const)('%s is refused where “%s” is meant', (formula, unit, message) => {
    expect(workOut(formula, measures, unit)).toEqual({ ok: false, message });
  });

  it.each([
    ['1 250,5', 1250.5],
    ['1,250.5', 1250.5],
    ['1.250.000', 1_250_000],
    ['1,250', 1.25],
    ['cane + 1 000', 1008],
  ])('%s has its thousands and its decimals where people mean them', (formula, expected) =>
    expect(value(formula)).toBeCloseTo(expected, 9),
  );

  it('takes what stands in an angle’s function for an angle', () => {
    expect(workOut('40 * sin(30°)', new Map(), 'mm')).toMatchObject({
      ok: true,
      value: expect.closeTo(20, 9),
    });
    expect(workOut('40 * sin(30 mm)', new Map(), 'mm')).toMatchObject({
      ok: false,
      message: '“mm” is for a length, and this is an angle.',
    });
    expect(workOut('sin(30) * 2 cm', new Map(), 'mm')).toMatchObject({
      ok: true,
      value: expect.closeTo(10, 9),
    });
  });

  it('is never a crash, whatever is typed', () => {
    fc.assert(fc.property(fc.string({ maxLength: 30 }), (typed) => void workOut(typed, measures)));
  });

  it('knows the names it uses, and takes up new ones', () => {
    expect(namesIn('2 in + cane * (wall - 3 mm)')).toEqual(['cane', 'wall']);
    expect(withRenamed('cane + canes * cane', 'cane', 'stick')).toBe('stick + canes * stick');
  });
});

describe('measures', () => {
  const recipe = {
    ...label(),
    measures: [
      { name: 'cane', value: 8 },
      { name: 'bore', value: { formula: 'cane + 0.4' } },
    ],
  };

  it('may use those above them', () => {
    const values = valuesOf(recipe.measures);
    expect(values.ok && values.values.get('bore')).toBeCloseTo(8.4);
    expect(valuesOf([...recipe.measures].reverse())).toMatchObject({
      ok: false,
      problem: {
        measure: 'bore',
        message: 'The measure “bore”: “cane” is not a number, and no measure is called that.',
      },
    });
  });

  it('reach the steps that name them, and bounds hold for what comes out', () => {
    const [plate, hole, ...rest] = recipe.steps;
    const sized = (formula: string) => ({
      ...recipe,
      steps: [
        plate,
        { ...hole, size: { by: 'diameter' as const, mm: { formula } } },
        ...rest,
      ] as typeof recipe.steps,
    });
    expect(resolved(sized('bore'))[1].step).toMatchObject({ size: { mm: 8.4 } });
    const problem = (formula: string) => {
      try {
        resolved(sized(formula));
      } catch (error) {
        if (error instanceof RecipeError) return error.problem;
      }
      return undefined;
    };
    expect(problem('cane - 10')).toMatchObject({ stepId: 's2', path: ['size', 'mm'], message: expect.stringContaining('at least 0.1 mm') as string }); // oxfmt-ignore
    expect(problem('pole')).toMatchObject({ stepId: 's2', path: ['size', 'mm'] });
  });

  it('keep their users when they are called something else', () => {
    const renamed = setMeasure(recipe, 'cane', { name: 'stick' });
    expect(renamed.ok && renamed.recipe.measures).toEqual([
      { name: 'stick', value: 8 },
      { name: 'bore', value: { formula: 'stick + 0.4' } },
    ]);
  });

  it.each([
    ['two words', 'my cane'],
    ['a unit', 'mm'],
    ['a number', '8'],
    ['the name of another', 'bore'],
  ])('cannot be called by %s', (_, name) => {
    expect(setMeasure(recipe, 'cane', { name })).toMatchObject({ ok: false });
  });

  it('leave a recipe without formulas as it is', () => {
    expect(resolved(label()).map(({ step }) => step)).toEqual(label().steps);
    expect(resolved(emptyRecipe())).toEqual([]);
  });
});
