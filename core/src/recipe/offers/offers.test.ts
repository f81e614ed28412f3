import { beforeAll, describe, expect, it } from 'vitest';
import { nodeWorkshop } from '../../../node/workshop.ts';
import { recipeWith, stepOf } from '../../../test/evaluated.ts';
import { label } from '../../../test/recipes.ts';
import { boundsOf, sizeOf, type Box } from '../../mesh/index.ts';
import { classroomLimits, inspect } from '../../inspect/index.ts';
import { evaluate, type Workshop } from '../../solid/index.ts';
import { emptyRecipe, removeStep, stepKinds, type Recipe } from '../index.ts';
import { addOffered, firstOf, foundOffers, stepOffers, type Landing } from './index.ts';

let workshop: Workshop;
beforeAll(async () => (workshop = await nodeWorkshop()));

const sizes: Record<string, Box> = {
  s1: { min: [-42, -14, 0], max: [42, 14, 2.6] },
  s2: { min: [-37.25, -2.25, 0], max: [-32.75, 2.25, 2.6] },
  s3: { min: [-20, -6, 2.6], max: [20, 6, 3.8] },
  s4: { min: [-4, -4, 2.6], max: [4, 4, 10.6] },
};
const boxOf = (id: string) => sizes[id];

const last = (recipe: Recipe) => recipe.steps[recipe.steps.length - 1];

it('every kind of step is offered, and no two offers or variants have the same id', () => {
  const offers = stepOffers(label());
  expect(new Set(offers.map(({ kind }) => kind))).toEqual(new Set(stepKinds.map(({ kind }) => kind)));
  expect(new Set(offers.map(({ id }) => id)).size).toBe(offers.length);
  for (const { variants } of offers) expect(new Set(variants.map(({ id }) => id)).size).toBe(variants.length);
});

describe('what a person would type', () => {
  it.each([
    ['round', 'Round or slope edges'],
    ['heart', 'Extrude a shape: a heart'],
    ['a hole for a ring', 'Cut a hole'],
    ['bore', 'Cut a hole'],
    ['lift', 'Extrude a shape'],
    ['slant', 'Sweep along an arc'],
    ['safe', 'Round or slope edges'],
    ['name', 'Write letters'],
    ['screw', 'Cut a hole: for a screw'],
    ['BÖLL sphere', 'Place a ready solid: ball'],
    ['copy', 'Repeat steps'],
    ['engrave name', 'Sink letters in'],
    ['grid', 'Repeat steps: on a grid'],
    ['flip', 'Mirror the part'],
    ['two colours', 'Choose colours'],
    ['key ring', 'Add an eyelet'],
    ['stand up', 'Set the part down'],
    ['leaning', 'Sweep along an arc'],
    ['pocket', 'Sink a shape in'],
    ['cut star', 'Cut out a shape: a star'],
    ['zebra', undefined],
  ])('“%s” finds %s', (query, expected) => {
    const first = firstOf(foundOffers(stepOffers(label()), query));
    const found = first && first.offer.label + (first.variant ? `: ${first.variant.label}` : '');
    expect(found).toBe(expected);
  });

  it('is found anywhere in the list, and nothing else is left', () => {
    const ids = (query: string) => foundOffers(stepOffers(label()), query).map(({ id }) => id);
    expect(ids('heart')).toEqual(['shape', 'cutShape', 'sinkShape']);
    expect(ids('ring')).toEqual(expect.arrayContaining(['shape', 'hole', 'eyelet', 'solid']));
    expect(ids('')).toEqual(stepOffers(label()).map(({ id }) => id));
  });
});

describe('where a new step lands', () => {
  const on = (recipe: Recipe) => {
    const step = last(recipe);
    return 'placement' in step && 'step' in step.placement.on ? step.placement.on.step : 'plate';
  };
  const tag = recipeWith([
    stepOf('extrude', 's1', undefined, { name: 'tag' } as never),
    stepOf('letters', 's2', 's1'),
    stepOf('solid', 's3', 's1', { solid: { type: 'wedge', widthMm: 8, depthMm: 4, heightMm: 8 } } as never),
    stepOf('solid', 's4', 's1', { solid: { type: 'box', widthMm: 8, depthMm: 8, heightMm: 8 } } as never),
  ]);

  it.each<[string, Landing, string]>([
    ['the largest step with a flat top', { boxOf }, 's1'],
    ['the last that can carry, where sizes are not known', {}, 's4'],
    ['what is marked', { boxOf, marked: 's4' }, 's4'],
    ['what the marked letters stand on', { boxOf, marked: 's2' }, 's1'],
    ['what the marked wedge stands on', { boxOf, marked: 's3' }, 's1'],
  ])('is %s', (_, landing, expected) => {
    for (const offer of ['hole', 'letters', 'shape', 'cutShape', 'solid'])
      expect(on(addOffered(tag, { offer }, landing)), offer).toBe(expected);
  });

  it('is the marked side of the marked step, in its plane', () => {
    const hole = last(addOffered(tag, { offer: 'hole' }, { marked: 's4', side: 'front' }));
    expect(hole).toMatchObject({ facing: 'front', placement: { on: { step: 's4' } } });
    const word = last(addOffered(tag, { offer: 'letters' }, { marked: 's4', side: 'left' }));
    expect(word).toMatchObject({ facing: 'left', placement: { x: { relation: 'beside', edge: 'low' } } });
    // A side of letters is no side of what they stand on.
    expect(last(addOffered(tag, { offer: 'hole' }, { marked: 's2', side: 'front' }))).toMatchObject({
      facing: 'up',
    });
  });

  it('is in the middle where nothing is in the way, and else where there is room', () => {
    const plate = recipeWith([stepOf('extrude', 's1', undefined)]);
    expect(last(addOffered(plate, { offer: 'letters' }))).not.toHaveProperty('free');
    expect(last(addOffered(tag, { offer: 'hole' }, { boxOf }))).toMatchObject({ free: { marginMm: 2 } });
    expect(last(addOffered(tag, { offer: 'letters' }, { boxOf }))).toMatchObject({
      lettering: { size: { by: 'room' } },
    });
  });

  it('repeats what was made last, or what is marked', () => {
    const holed = addOffered(tag, { offer: 'hole' }, { boxOf });
    expect(last(addOffered(holed, { offer: 'repeat', variant: 'grid' }))).toMatchObject({
      of: [{ step: 's5' }],
      pattern: { type: 'grid' },
    });
    expect(last(addOffered(holed, { offer: 'repeat' }, { marked: 's2' }))).toMatchObject({
      of: [{ step: 's2' }],
    });
  });

  it('begins a cut flush with the face and goes in', () => {
    const plate = recipeWith([stepOf('extrude', 's1', undefined)]);
    for (const offer of ['cutShape', 'cutSolid', 'hole'])
      expect(last(addOffered(plate, { offer })), offer).toMatchObject({
        placement: { z: { relation: 'inFrom', edge: 'high', mm: 0 } },
      });
  });
});

/** What is drawn, chosen or measured before anything can be made of it. */
const unfinished = new Set(['import', 'sizes']);
const wanted = stepOffers(label()).flatMap(({ id, variants }) => [
  { offer: id },
  ...variants.map((variant) => ({ offer: id, variant: variant.id })),
]);

describe('a label with a word and a hole stays one that can be printed', () => {
  it.each(
    wanted.map((each) => [`${each.offer} ${'variant' in each ? each.variant : ''}`.trim(), each] as const),
  )('when there is added: %s', (name, each) => {
    // A second word has no room on it that can be read.
    const begin = each.offer.toLowerCase().includes('letters') ? removeStep(label(), 's3') : label();
    const added = addOffered(begin, each, { boxOf, marked: each.offer === 'repeat' ? 's2' : undefined });
    const made = evaluate(added, workshop);
    if (unfinished.has(name)) return expect(made.ok).toBe(false);
    if (!made.ok) throw new Error(made.problem.message);
    const notes = made.steps
      .flatMap((each) => each.notes)
      .filter((note) => !/until you write|no room for|of its size/.test(note));
    expect(notes).toEqual([]);
    const { checks } = inspect(made.mesh, classroomLimits);
    const failing = checks.filter(({ verdict }) => verdict === 'fail').map(({ id }) => id);
    // What is so flat leans far where it is tapered.
    expect(failing).toEqual(each.offer === 'taper' ? ['overhang'] : []);
  });

  it('as the first step, whatever can be one stands on the plate', () => {
    for (const each of wanted.filter(({ offer }) => ['shape', 'solid', 'turned', 'eyelet'].includes(offer))) {
      if ('variant' in each && ['svg', 'ofStep'].includes(each.variant)) continue;
      const made = evaluate(addOffered(emptyRecipe(), each), workshop);
      expect(made.ok, JSON.stringify(each)).toBe(true);
    }
  });

  it('as the first step, what is written or cut brings a plate, which the words fill', () => {
    for (const offer of ['letters', 'sunkLetters', 'hole', 'cutShape', 'sinkShape', 'cutSolid', 'sweep']) {
      const added = addOffered(emptyRecipe(), { offer });
      expect(added.steps, offer).toHaveLength(2);
      const made = evaluate(added, workshop);
      if (!made.ok) throw new Error(made.problem.message);
      const { checks } = inspect(made.mesh, classroomLimits);
      expect(
        checks.filter(({ verdict }) => verdict === 'fail').map(({ id }) => id),
        offer,
      ).toEqual([]);
    }
    const words = evaluate(addOffered(emptyRecipe(), { offer: 'letters' }), workshop);
    if (!words.ok) throw new Error(words.problem.message);
    const [plate, letters] = words.steps.map(({ box }) => box!);
    expect(letters.max[0] - letters.min[0]).toBeGreaterThan(0.6 * (plate.max[0] - plate.min[0]));
  });

  it('on a rim goes to what the rim is on, since there is nothing in its middle', () => {
    const disc = addOffered(emptyRecipe(), { offer: 'shape', variant: 'circle' });
    const rim = addOffered(disc, { offer: 'shape', variant: 'ring' });
    const star = addOffered(rim, { offer: 'shape', variant: 'star' }, { marked: rim.steps[1].id });
    expect(star.steps[2]).toMatchObject({ placement: { on: { step: disc.steps[0].id } } });
  });

  it('is no wider than a badge where it is the first and no plate', () => {
    const acrossOf = (variant?: string) => {
      const made = evaluate(
        addOffered(emptyRecipe(), { offer: 'shape', ...(variant ? { variant } : {}) }),
        workshop,
      );
      if (!made.ok) throw new Error(made.problem.message);
      return sizeOf(boundsOf(made.mesh))[0];
    };
    expect([acrossOf('circle'), acrossOf('heart'), acrossOf('drop')]).toEqual(
      [40, 40, 40].map((mm) => expect.closeTo(mm, 1)),
    );
    expect(acrossOf()).toBeGreaterThan(60);
    expect(acrossOf('roundedRectangle')).toBe(acrossOf());
  });
});
