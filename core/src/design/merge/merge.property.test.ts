import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { recipeWith, stepOf } from '../../../test/evaluated.ts';
import {
  addStep,
  duplicateStep,
  fieldAt,
  moveStep,
  referenceProblem,
  removeStep,
  sentenceOf,
  setField,
  stepKinds,
  type Recipe,
} from '../../recipe/index.ts';
import {
  addPart,
  copyPart,
  designOf,
  designProblem,
  mergeDesigns,
  recipeOf,
  removeMeasure,
  sameDesign,
  setMeasure,
  shareMeasure,
  unshareMeasure,
  withRecipe,
  type Design,
} from '../index.ts';

/** A design of two parts, whose steps stand on one another and name a measure. */
const start: Design = (() => {
  const recipe = recipeWith(
    [
      stepOf('extrude', 's1', undefined, {}),
      stepOf('hole', 's2', 's1', { size: { by: 'diameter', mm: { formula: 'cane' } } }),
      stepOf('extrude', 's3', 's1'),
      stepOf('letters', 's4', 's3'),
    ],
    [{ name: 'cane', value: 8 }],
  );
  const two = addPart(designOf(recipe, 'Clip'), 'Lid', recipe);
  if (!two.ok) throw new Error(two.problem.message);
  return two.design;
})();

const canBeKept = (design: Design) => designProblem(design) === undefined;

/** One edit, drawn from all that a bench can do; `draw` gives a whole number below another. */
type Edit = (design: Design, draw: (below: number) => number) => Design;

const inPart =
  (edit: (recipe: Recipe, stepId: string, draw: (below: number) => number) => Recipe): Edit =>
  (design, draw) => {
    const partId = design.parts[draw(design.parts.length)].id;
    const recipe = recipeOf(design, partId);
    const step = recipe.steps[draw(Math.max(1, recipe.steps.length))];
    return step ? withRecipe(design, partId, edit(recipe, step.id, draw)) : design;
  };
const ofMeasure =
  (
    edit: (
      design: Design,
      partId: string,
      name: string,
      draw: (below: number) => number,
    ) => { ok: boolean; design?: Design },
  ): Edit =>
  (design, draw) => {
    const partId = design.parts[draw(design.parts.length)].id;
    const { measures } = recipeOf(design, partId);
    const measure = measures[draw(Math.max(1, measures.length))];
    const edited = measure && edit(design, partId, measure.name, draw).design;
    return edited && canBeKept(edited) ? edited : design;
  };

/** Puts a number, or a choice, of a step to another value. */
const changeField = inPart((recipe, stepId, draw) => {
  const index = recipe.steps.findIndex(({ id }) => id === stepId);
  const tokens = sentenceOf(recipe.steps[index], { recipe, index }).filter(
    (token) => token.type === 'number' || token.type === 'choice',
  );
  const token = tokens[draw(Math.max(1, tokens.length))];
  if (!token) return recipe;
  const value =
    token.type === 'choice'
      ? token.options[draw(token.options.length)].value
      : Number(fieldAt(recipe.steps[index], token.path) ?? 1) + 1 + draw(9);
  const edited = setField(recipe, stepId, token.path, value);
  return edited.ok ? edited.recipe : recipe;
});

const edits: readonly Edit[] = [
  changeField,
  changeField,
  changeField,
  inPart((recipe, stepId, draw) => addStep(recipe, stepKinds[draw(stepKinds.length)].kind, stepId)),
  inPart((recipe, stepId) => removeStep(recipe, stepId)),
  inPart((recipe, stepId, draw) => moveStep(recipe, stepId, draw(2) === 0 ? -1 : 1)),
  inPart((recipe, stepId) => duplicateStep(recipe, stepId)?.recipe ?? recipe),
  ofMeasure((design, partId, name, draw) => setMeasure(design, partId, name, { value: 5 + draw(20) })),
  ofMeasure((design, partId, name, draw) => setMeasure(design, partId, name, { name: `m${draw(9)}` })),
  ofMeasure((design, partId, name) => shareMeasure(design, partId, name)),
  ofMeasure((design, partId, name) => unshareMeasure(design, partId, name)),
  ofMeasure((design, partId, name) => removeMeasure(design, partId, name)),
  (design, draw) => {
    const copied = copyPart(design, design.parts[draw(design.parts.length)].id);
    return copied.ok ? copied.design : design;
  },
];

/** What happens next: somebody edits, or sends what is new to the one truth, or looks what is new there. */
const happening = fc.record({
  who: fc.constantFrom('luca' as const, 'maren' as const),
  what: fc.constantFrom('edits' as const, 'edits' as const, 'sends' as const),
  edit: fc.nat(edits.length - 1),
  numbers: fc.array(fc.nat(999), { minLength: 4, maxLength: 4 }),
  keepsOwn: fc.boolean(),
});

interface Seat {
  base: Design;
  design: Design;
  revision: number;
}

describe('two people at one design', () => {
  it('end with the same, which can be kept, in 10,000 interleavings of edits and saves', () => {
    let merges = 0;
    fc.assert(
      fc.property(fc.array(happening, { minLength: 4, maxLength: 10 }), (happenings) => {
        const truth = { design: start, revision: 0 };
        const seats: Record<'luca' | 'maren', Seat> = {
          luca: { base: start, design: start, revision: 0 },
          maren: { base: start, design: start, revision: 0 },
        };
        const send = (who: 'luca' | 'maren', keepsOwn: boolean) => {
          const seat = seats[who];
          if (seat.revision !== truth.revision) {
            const merge = mergeDesigns(seat.base, seat.design, truth.design);
            if (!merge) throw new Error('This is not more than a project holds.');
            seat.design = keepsOwn ? merge.withMine : merge.design;
            merges++;
          }
          truth.design = seat.base = seat.design;
          seat.revision = ++truth.revision;
        };
        for (const { who, what, edit, numbers, keepsOwn } of happenings) {
          if (what === 'sends') send(who, keepsOwn);
          else {
            const left = [...numbers];
            seats[who].design = edits[edit](seats[who].design, (below) => (left.pop() ?? 0) % below);
          }
        }
        for (const who of ['luca', 'maren', 'luca'] as const) send(who, true);
        expect(seats.luca.design).toBe(truth.design);
        expect(
          sameDesign(mergeDesigns(seats.maren.base, seats.maren.design, truth.design)!.design, truth.design),
        ).toBe(true);
        expect(designProblem(truth.design)).toBeUndefined();
      }),
      { numRuns: 10_000 },
    );
    expect(merges).toBeGreaterThan(10_000);
  });

  it('have all that either did to steps of their own, as if one had done it after the other', () => {
    const own = (first: number) =>
      fc.array(
        fc.record({
          at: fc.constantFrom(first, first + 2),
          numbers: fc.array(fc.nat(999), { minLength: 2, maxLength: 2 }),
        }),
        { minLength: 1, maxLength: 4 },
      );
    fc.assert(
      fc.property(own(0), own(1), (luca, maren) => {
        const edit = (design: Design, list: typeof luca) =>
          list.reduce((each, { at, numbers }) => {
            // The part, the step, the field and the value.
            const left = [numbers[1], numbers[0], at, 0];
            return changeField(each, (below) => (left.pop() ?? 0) % below);
          }, design);
        const merge = mergeDesigns(start, edit(start, luca), edit(start, maren))!;
        expect(merge.clashes).toEqual([]);
        expect(merge.design).toEqual(edit(edit(start, maren), luca));
      }),
      { numRuns: 500 },
    );
  });

  it('lose no step that either added or kept, and name only what comes before', () => {
    const drawn = fc.array(
      fc.record({
        edit: fc.nat(edits.length - 1),
        numbers: fc.array(fc.nat(999), { minLength: 4, maxLength: 4 }),
      }),
      { minLength: 1, maxLength: 5 },
    );
    fc.assert(
      fc.property(drawn, drawn, (luca, maren) => {
        const edit = (list: typeof luca) =>
          list.reduce((design, each) => {
            const left = [...each.numbers];
            return edits[each.edit](design, (below) => (left.pop() ?? 0) % below);
          }, start);
        const [mine, theirs] = [edit(luca), edit(maren)];
        const { design } = mergeDesigns(start, mine, theirs)!;
        const stepsOf = (of: Design) =>
          of.parts.flatMap(({ id, recipe }) => recipe.steps.map((step) => `${id} ${step.id}`));
        const before = new Set(stepsOf(start));
        const added = (of: Design) => stepsOf(of).filter((id) => !before.has(id)).length;
        expect(added(design)).toBe(added(mine) + added(theirs));
        const isSound = (of: Design) => of.parts.every(({ recipe }) => !referenceProblem(recipe));
        if (isSound(mine) && isSound(theirs)) expect(isSound(design)).toBe(true);
        const isIn = (of: Design) => new Set(stepsOf(of));
        for (const id of before)
          if (isIn(mine).has(id) && isIn(theirs).has(id)) expect(isIn(design).has(id)).toBe(true);
      }),
      { numRuns: 500 },
    );
  });
});
