import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { anyRecipe } from '../../test/anyRecipe.ts';
import { label } from '../../test/recipes.ts';
import {
  additionsOf,
  addStep,
  brokenBy,
  emptyRecipe,
  moveStep,
  parseRecipe,
  plainSentence,
  removeStep,
  sameRecipe,
  sentenceOf,
  setField,
  stepKinds,
  type FieldPath,
  type Recipe,
} from './index.ts';
import { starters } from '../starters/index.ts';

const sentences = (recipe: ReturnType<typeof label>) =>
  recipe.steps.map((step, index) => plainSentence(sentenceOf(step, { recipe, index })));

describe('sentences', () => {
  it('read as plain English with the numbers in them', () => {
    expect(sentences(label())).toEqual([
      'Extrude a rounded rectangle 84 mm × 28 mm, corners 5 mm, up 2.6 mm, from the plate, in the middle of the plate.',
      'Cut a hole of Ø 4.5 mm, right through from above, its middle 7 mm in from the left and centred front to back on step 1.',
      'Write “Basil” in Sturdy, 12 mm tall (thinnest stroke 1.6 mm), raised 1.2 mm on the top, centred left to right and centred front to back on step 1.',
    ]);
  });

  /** Every step there is: those of the starters, and a new one of each kind. */
  const everyRecipe = [...starters.map(({ recipe }) => recipe), withOneOfEach()];

  it('offer every number of a step as a field that leads back to its value', () => {
    for (const recipe of everyRecipe) {
      for (const [index, step] of recipe.steps.entries()) {
        for (const token of sentenceOf(step, { recipe, index })) {
          if (token.type !== 'number' || typeof token.value !== 'number') continue;
          const value = token.value + (token.value + token.nudge > token.max ? -token.nudge : token.nudge);
          const edited = setField(recipe, step.id, token.path, value);
          expect(edited, `${step.kind} ${token.path.join(' ')}`).toMatchObject({ ok: true });
          if (!edited.ok) continue;
          const changed = sentenceOf(edited.recipe.steps[index], { recipe: edited.recipe, index });
          const found = changed.find(
            (other) => other.type === 'number' && other.path.join() === token.path.join(),
          );
          expect(found).toMatchObject({ value });
        }
      }
    }
  });

  it('offer only choices and additions that make a valid step, and leave out what can be dropped', () => {
    for (const recipe of everyRecipe) {
      for (const [index, step] of recipe.steps.entries()) {
        const taken = (path: FieldPath, value: unknown) =>
          expect(setField(recipe, step.id, path, value), `${step.kind} ${path.join(' ')}`).toMatchObject({
            ok: true,
          });
        for (const token of sentenceOf(step, { recipe, index })) {
          if (token.type === 'choice') for (const { value } of token.options) taken(token.path, value);
          if (token.type === 'drop') taken(token.path, undefined);
        }
        for (const { path, value } of additionsOf(step)) taken(path, value);
      }
    }
  });

  it('show the option that holds, and it alone, after each choice', () => {
    for (const recipe of everyRecipe) {
      for (const [index, step] of recipe.steps.entries()) {
        for (const token of sentenceOf(step, { recipe, index })) {
          if (token.type !== 'choice') continue;
          token.options.forEach(({ value, label: words }) => {
            const edited = setField(recipe, step.id, token.path, value);
            if (!edited.ok) return;
            const tokens = sentenceOf(edited.recipe.steps[index], { recipe: edited.recipe, index });
            const shown = tokens.find(
              (other) =>
                other.type === 'choice' &&
                other.label === token.label &&
                other.path.join() === token.path.join(),
            );
            if (shown?.type !== 'choice') return;
            // A font that is not chosen is offered with its strokes.
            const offered = token.shows === 'font' ? words.split(',')[0] : words;
            expect(shown.options[shown.chosen].label, `${step.kind}: ${token.label}`).toBe(offered);
          });
        }
      }
    }
  });
});

/** A recipe with a new step of every kind, each placed as it would be on the bench. */
function withOneOfEach(): Recipe {
  return stepKinds.reduce<Recipe>((recipe, { kind }) => addStep(recipe, kind), emptyRecipe());
}

describe('steps that name others', () => {
  const repeated = () => {
    const edited = setField(addStep(label(), 'repeat'), 's4', ['of'], [{ step: 's2' }]);
    if (!edited.ok) throw new Error(edited.problem.message);
    return edited.recipe;
  };
  const last = (recipe: Recipe) => sentences(recipe).at(-1);

  it('say what they name also where it is gone or comes later', () => {
    const recipe = repeated();
    expect(last(recipe)).toContain('Repeat only step 2 in a row');
    const steps = recipe.steps.filter(({ id }) => id !== 's2');
    expect(last({ ...recipe, steps })).toContain('Repeat only a step that is gone in a row');
    const early = moveStep(recipe, 's4', -3);
    expect(sentences(early)[0]).toContain('Repeat only step 3, which comes later in a row');
  });

  it('are told before a change leaves them without', () => {
    const recipe = repeated();
    expect(brokenBy(recipe, moveStep(recipe, 's4', -2))).toEqual([2]);
    expect(brokenBy(recipe, moveStep(recipe, 's2', 1))).toEqual([]);
    // What can be put right with the deletion is not broken by it.
    expect(brokenBy(recipe, removeStep(recipe, 's1'))).toEqual([]);
    const early = moveStep(recipe, 's4', -2);
    expect(brokenBy(early, moveStep(early, 's3', -1))).toEqual([]);
  });
});

describe('an older recipe', () => {
  const one = {
    format: 'kelbrin-recipe',
    version: 1,
    steps: [
      {
        id: 's1',
        kind: 'extrude',
        outline: { shape: 'roundedRectangle', widthMm: 84, depthMm: 28, cornerMm: 5 },
        upMm: 2.6,
        base: 'plate',
        placement: { on: { plate: true }, x: { relation: 'centred' }, y: { relation: 'centred' } },
      },
      {
        id: 's2',
        kind: 'hole',
        diameterMm: 4.5,
        depth: { type: 'through' },
        placement: {
          on: { step: 's1' },
          x: { relation: 'inFrom', edge: 'low', mm: 7 },
          y: { relation: 'centred' },
        },
      },
      {
        id: 's3',
        kind: 'letters',
        words: 'Basil',
        font: 'sturdy',
        tallMm: 12,
        effect: 'raised',
        byMm: 1.2,
        placement: { on: { step: 's1' }, x: { relation: 'centred' }, y: { relation: 'centred' } },
      },
    ],
  };

  it('of version 1 reads as the same part', () => {
    expect(parseRecipe(one)).toEqual({ ok: true, recipe: label() });
  });

  it('is read from the one that could finish an outer edge alone', () => {
    const { steps } = label();
    const chamfered = { ...steps[0], top: { finish: 'chamfer', mm: 0.5 } };
    const two = { ...label(), version: 2, steps: [{ ...chamfered, outerOnly: true }, ...steps.slice(1)] };
    expect(parseRecipe(two)).toEqual({
      ok: true,
      recipe: { ...label(), steps: [{ ...chamfered, finishes: 'outer' }, ...steps.slice(1)] },
    });
  });

  it('is read from the one that had other names for bends and for outlines put together', () => {
    const circle = { shape: 'circle', diameterMm: 8 };
    const pieces = (first: string, second: string) => ({
      shape: 'combined',
      pieces: [
        { how: first, outline: circle, xMm: 0, yMm: 0 },
        { how: second, outline: circle, xMm: 3, yMm: { formula: 'gap' } },
      ],
    });
    const corners = [
      { xMm: 20, yMm: 0 },
      { xMm: 0, yMm: 20 },
    ];
    const drawn = (bend: object) => ({
      shape: 'points',
      nodes: [{ xMm: 0, yMm: 0, ...bend }, ...corners],
      closed: true,
      smooth: false,
      mirrored: false,
    });
    const withOutline = (version: number, outline: unknown) => {
      const { steps, ...rest } = label();
      return { ...rest, version, steps: [{ ...steps[0], outline }] };
    };
    for (const [before, now] of [
      [pieces('join', 'cut'), pieces('and', 'without')],
      [drawn({ bulge: 40 }), drawn({ bend: 40 })],
    ]) {
      const read = parseRecipe(withOutline(3, before));
      expect(read).toMatchObject({ ok: true });
      expect(read).toEqual(parseRecipe(withOutline(4, now)));
    }
    const read = parseRecipe(withOutline(5, pieces('and', 'without')));
    expect(read.ok && read.recipe.steps[0]).toMatchObject({
      outline: {
        pieces: [
          { id: 'p1', how: 'and', place: { from: 'middle', xMm: 0, yMm: 0 } },
          { id: 'p2', how: 'without', place: { from: 'middle', xMm: 3, yMm: { formula: 'gap' } } },
        ],
      },
    });
  });

  it('is read from the one that scaled a part as it was set down', () => {
    const { steps } = label();
    const scaled = { id: 's4', kind: 'setDown', face: { kept: true }, off: true, scaleTo: { axis: 'x', mm: { formula: 'long' } } }; // oxfmt-ignore
    expect(
      parseRecipe({ ...label(), version: 6, steps: [...steps, scaled, { ...steps[1], id: 's4a' }] }),
    ).toEqual({
      ok: true,
      recipe: {
        ...label(),
        steps: [
          ...steps,
          { id: 's4', kind: 'setDown', face: { kept: true }, off: true },
          { id: 's4b', kind: 'scale', off: true, to: { by: 'length', axis: 'x', mm: { formula: 'long' } } },
          { ...steps[1], id: 's4a' },
        ],
      },
    });
  });

  it('that is broken is still refused in a sentence', () => {
    expect(parseRecipe({ ...one, steps: [{ id: 's1', kind: 'hole' }] })).toMatchObject({
      ok: false,
      problem: { message: expect.stringContaining('Step 1') as string },
    });
    expect(parseRecipe({ ...one, steps: 7 })).toMatchObject({ ok: false });
  });
});

describe('reading a recipe', () => {
  it('gives back what was written, for any recipe', () => {
    fc.assert(
      fc.property(anyRecipe, (recipe) => {
        expect(parseRecipe(JSON.parse(JSON.stringify(recipe)))).toEqual({ ok: true, recipe });
      }),
    );
  });

  it('knows equal recipes by what they say and not by the order of their keys', () => {
    const reversed = JSON.parse(JSON.stringify(label()), (_, value: unknown) =>
      value !== null && typeof value === 'object' && !Array.isArray(value)
        ? Object.fromEntries(Object.entries(value).reverse())
        : value,
    ) as ReturnType<typeof label>;
    expect(sameRecipe(label(), reversed)).toBe(true);
    expect(sameRecipe(label(), label('Mint'))).toBe(false);
  });

  it.each([
    ['nothing', null, 'cannot read this recipe'],
    ['another format', { format: 'other', version: 1, steps: [] }, 'cannot read this recipe'],
    ['a newer version', { ...emptyRecipe(), version: 99 }, 'cannot read this recipe'],
    ['an unknown kind of step', { ...emptyRecipe(), steps: [{ id: 's1', kind: 'magic' }] }, 'Step 1'],
    ['a field too many', { ...emptyRecipe(), steps: [{ ...label().steps[0], extra: 1 }] }, 'extra'],
    [
      'a number that is none',
      { ...emptyRecipe(), steps: [{ ...label().steps[2], byMm: NaN }] },
      'Step 1, raised by',
    ],
    ['one id twice', { ...emptyRecipe(), steps: [label().steps[0], label().steps[0]] }, 'Step 2, id'],
  ])('refuses %s in one sentence', (_, data, words) => {
    const parsed = parseRecipe(data);
    expect(parsed).toMatchObject({
      ok: false,
      problem: { message: expect.stringContaining(words) as string },
    });
  });
});
