import { describe, expect, it } from 'vitest';
import { recipeWith, stepOf } from '../../test/evaluated.ts';
import { block } from '../../test/block.ts';
import {
  plainSentence,
  saidAmount,
  sentenceOf,
  setField,
  turnedAmount,
  type Along,
  type Step,
} from './index.ts';

/** The sentence of a hole whose middle lies so from left to right and from front to back. */
function said(x: Along, y: Along): string {
  return plainSentence(sentenceOf(hole(x, y), context(hole(x, y))));
}
function hole(x: Along, y: Along): Step {
  const placement = { on: { step: 's1' }, x, y, z: { relation: 'inFrom', edge: 'high', mm: 0 } } as const;
  return stepOf('hole', 's2', 's1', { placement });
}
const context = (step: Step) => ({ recipe: recipeWith([block, step]), index: 1 });
/** The choice of where a thing is along an axis, as an option's words lead to its value. */
function offered(step: Step, axis: 'x' | 'y'): { chosen: string; options: Record<string, Along> } {
  const token = sentenceOf(step, context(step)).find(
    (each) => each.type === 'choice' && each.path.join() === `placement,${axis}`,
  );
  if (token?.type !== 'choice') throw new Error('There is no such choice.');
  const options = Object.fromEntries(token.options.map(({ label, value }) => [label, value as Along]));
  return { chosen: token.options[token.chosen].label, options };
}

it('what is set above the plate says how high, and what is set beside a place how far', () => {
  const placement = {
    on: { plate: true },
    x: { relation: 'at', own: 'middle', mm: 4 },
    y: { relation: 'centred' },
    z: { relation: 'at', own: 'low', mm: 6 },
  } as const;
  const step = stepOf('extrude', 's1', undefined, { placement });
  const labels = sentenceOf(step, { recipe: recipeWith([step]), index: 0 })
    .filter((token) => token.type === 'number')
    .map(({ path, label }) => [path.join('.'), label]);
  expect(labels).toContainEqual(['placement.x.mm', 'distance, left to right']);
  expect(labels).toContainEqual(['placement.z.mm', 'height above the plate']);
});

describe('what lies on the far side of a middle', () => {
  it('is said by how far and which way, and never with a sign', () => {
    const words = said({ relation: 'centred', mm: -2.2 }, { relation: 'at', own: 'middle', mm: -16 });
    expect(words).toContain('2.2 mm left of the middle');
    expect(words).toContain('16 mm in front of the middle of the plate');
    expect(words).not.toMatch(/[-−]/);
    expect(said({ relation: 'centred', mm: 3 }, { relation: 'centred' })).toContain(
      '3 mm right of the middle',
    );
  });

  it('goes to the other side by the choice of a word, as far as it was', () => {
    const step = hole({ relation: 'centred', mm: -2.2 }, { relation: 'centred', mm: 4 });
    const x = offered(step, 'x');
    expect(x.chosen).toBe('left of the middle');
    expect(x.options['right of the middle']).toEqual({ relation: 'centred', mm: 2.2 });
    expect(x.options['left of the middle']).toEqual({ relation: 'centred', mm: -2.2 });
    const y = offered(step, 'y');
    expect(y.chosen).toBe('behind the middle');
    expect(y.options['in front of the middle of the plate']).toEqual({
      relation: 'at',
      own: 'middle',
      mm: -4,
    });
  });

  it('stands in its field without the sign, and a number typed there counts the same way', () => {
    const step = hole({ relation: 'centred', mm: -2.2 }, { relation: 'centred' });
    const token = sentenceOf(step, context(step)).find((each) => each.type === 'number' && each.isTurned);
    if (token?.type !== 'number') throw new Error('There is no such number.');
    expect(saidAmount(token)).toBe(2.2);
    const typed = setField(context(step).recipe, 's2', token.path, turnedAmount(5));
    if (!typed.ok) throw new Error('It can be so far.');
    expect(plainSentence(sentenceOf(typed.recipe.steps[1], { recipe: typed.recipe, index: 1 }))).toContain(
      '5 mm left of the middle',
    );
    expect(turnedAmount({ formula: 'wall + 1' })).toEqual({ formula: '-(wall + 1)' });
  });

  it('keeps the words of heights, which are counted from the plate', () => {
    const step = stepOf('extrude', 's2', 's1', {
      placement: {
        on: { plate: true },
        x: { relation: 'centred' },
        y: { relation: 'centred' },
        z: { relation: 'at', own: 'middle', mm: -3 },
      },
    });
    expect(plainSentence(sentenceOf(step, context(step)))).toContain('−3 mm above the plate at its middle');
  });
});
