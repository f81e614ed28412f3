import { beforeAll, describe, expect, it } from 'vitest';
import { nodeWorkshop } from '../../../node/workshop.ts';
import { built, recipeWith, stepOf, withField } from '../../../test/evaluated.ts';
import { MOST_COLOURS } from '../../colours/index.ts';
import { classroomLimits, inspect } from '../../inspect/index.ts';
import { SolidCache, type Workshop } from '../../solid/index.ts';
import { additionsOf, plainSentence, sentenceOf, type Step } from '../index.ts';

let workshop: Workshop;
beforeAll(async () => (workshop = await nodeWorkshop()));

const plate = stepOf('extrude', 's1', undefined, { depth: { type: 'by', mm: 2.6 } });
const letters = stepOf('letters', 's2', 's1', { byMm: 1.2 });
const wish = (changes: Extract<Step, { kind: 'colours' }>['changes'], id = 's9') =>
  stepOf('colours', id, undefined, { first: 'leafGreen', changes });
const ofStep = (step: string, edge: 'low' | 'high' = 'low') => ({ by: 'step', of: { step }, edge }) as const;

const coloursOf = (...steps: Step[]) => {
  const { origin, steps: outcomes } = built(workshop, recipeWith(steps));
  return {
    bands: origin.colours.map(({ fromMm, colour }) => [Math.round(1000 * fromMm) / 1000, colour]),
    notes: outcomes.at(-1)!.notes,
  };
};

describe('the colours of a part', () => {
  it('begin at the plate and change at heights', () => {
    expect(coloursOf(plate)).toMatchObject({ bands: [] });
    expect(coloursOf(plate, wish([]))).toEqual({ bands: [[0, 'leafGreen']], notes: [] });
    expect(coloursOf(plate, letters, wish([{ from: { by: 'mm', mm: 3 }, colour: 'chalkWhite' }]))).toEqual({
      bands: [[0, 'leafGreen'], [3, 'chalkWhite']],
      notes: [],
    }); // oxfmt-ignore
  });

  it('are as many as there are, and no more is offered then', () => {
    const some = (count: number) =>
      wish(
        Array.from({ length: count }, (_, i) => ({ from: { by: 'mm', mm: i + 1 }, colour: 'chalkWhite' })),
      );
    expect(additionsOf(some(MOST_COLOURS - 2))).toHaveLength(1);
    expect(additionsOf(some(MOST_COLOURS - 1))).toEqual([]);
  });

  it('follow the steps that they are meant for, however the part changes', () => {
    const white = wish([{ from: ofStep('s2'), colour: 'chalkWhite' }]);
    const bandsAt = (mm: number) =>
      built(workshop, withField(recipeWith([plate, letters, white]), 's1', ['depth', 'mm'], mm)).origin
        .colours;
    expect(bandsAt(2.6)[1].fromMm).toBeCloseTo(2.6, 6);
    expect(bandsAt(4)[1].fromMm).toBeCloseTo(4, 6);
    // The part lies on its face: what was its front is its foot.
    const onFace = stepOf('setDown', 's3', undefined, { face: { normal: [0, 0, 1] } });
    const turned = built(workshop, recipeWith([plate, letters, onFace, white]));
    expect(turned.origin.colours.map(({ colour }) => colour)).toEqual(['chalkWhite']);
  });

  it('say what comes to nothing, and what another says again', () => {
    expect(coloursOf(plate, wish([{ from: { by: 'mm', mm: 9 }, colour: 'plum' }])).notes).toEqual([
      'Nothing is plum: the part ends at 2.6 mm, and that begins at 9 mm.',
    ]);
    expect(coloursOf(plate, wish([{ from: ofStep('s1'), colour: 'plum' }]))).toEqual({
      bands: [[0, 'plum']],
      notes: ['Plum begins at the plate, so it is the first colour.'],
    });
    const twice = built(workshop, recipeWith([plate, wish([], 's7'), wish([], 's8')]));
    expect(twice.steps[1].notes).toEqual(['A later step chooses the colours again: delete one of them.']);
    expect(twice.steps[2].notes).toEqual([]);
  });

  it('are told where they lie beside each other at one height', () => {
    const rim = stepOf('extrude', 's3', 's1', {
      outline: { shape: 'ring', outerMm: 9, innerMm: 5 },
      depth: { type: 'by', mm: 2 },
    });
    const white = wish([{ from: ofStep('s2'), colour: 'chalkWhite' }]);
    const checked = (...steps: Step[]) => {
      const { mesh, origin } = built(workshop, recipeWith(steps));
      return inspect(mesh, classroomLimits, { origin }).checks.find(({ id }) => id === 'colours');
    };
    expect(checked(plate, letters)).toMatchObject({ verdict: 'pass', measured: null });
    expect(checked(plate, letters, white)).toMatchObject({ verdict: 'pass', measured: 0 });
    expect(checked(plate, letters, rim, white)).toMatchObject({
      verdict: 'warn',
      measured: 1,
      findings: [
        { steps: ['s3'], message: expect.stringContaining('chalk white from 2.6 mm up as well') as string },
      ],
    });
    // By height nobody meant one step more than another.
    expect(checked(plate, letters, rim, wish([{ from: { by: 'mm', mm: 3 }, colour: 'plum' }]))).toMatchObject({ verdict: 'pass' }); // oxfmt-ignore
    // Letters that are sunk lie beside what they are sunk into.
    const sunk = stepOf('letters', 's2', 's1', { effect: 'sunk', byMm: 1 });
    expect(checked(plate, sunk, white)).toMatchObject({ verdict: 'warn', findings: [{ steps: ['s1'] }] });
  });

  it('are read aloud', () => {
    const recipe = recipeWith([plate, letters, wish([{ from: { by: 'mm', mm: 3 }, colour: 'chalkWhite' }, { from: ofStep('s2', 'high'), colour: 'plum' }])]); // oxfmt-ignore
    expect(plainSentence(sentenceOf(recipe.steps[2], { recipe, index: 2 }))).toBe(
      'Print it in leaf green; from 3 mm above the plate up in chalk white; from the top of step 2 up in plum.',
    );
  });
});

it('what is known of a step stays with it when one that is switched off is put before it', () => {
  const cache = new SolidCache();
  const off: Step = { ...stepOf('hole', 's5', 's1'), off: true };
  const of = (steps: Step[]) =>
    built(workshop, recipeWith(steps), { cache }).origin.reliefs.map(({ step }) => step);
  expect(of([plate, letters, off])).toEqual([1]);
  expect(of([off, plate, letters])).toEqual([2]);
  cache.close();
});
