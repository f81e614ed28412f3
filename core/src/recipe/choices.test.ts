import { beforeAll, describe, expect, it } from 'vitest';
import { nodeWorkshop } from '../../node/workshop.ts';
import { block, square } from '../../test/block.ts';
import { built, recipeWith, stepOf } from '../../test/evaluated.ts';
import { posed } from '../mesh/index.ts';
import type { Workshop } from '../solid/index.ts';
import { fromLeft, on, onPlate } from '../starters/places.ts';
import { acrossOf, createPlain } from './outlines/plain.ts';
import { posesOf } from './steps/repeat.ts';
import {
  additionsOf,
  createStep,
  fittedDiameter,
  onTop,
  plainSentence,
  sentenceOf,
  setField,
  stepKinds,
  turnsProfile,
  type Recipe,
  type Step,
} from './index.ts';

/* What a step becomes when a word of its sentence is exchanged, and what a new one is. */

let workshop: Workshop;
beforeAll(async () => (workshop = await nodeWorkshop()));

/** The values that a word of a step's sentence can stand for, by what they are called. */
function offered(step: Step, label: string): Record<string, unknown> {
  const recipe = recipeWith([block, step]);
  const word = sentenceOf(step, { recipe, index: 1 }).find(
    (token) => token.type === 'choice' && token.label === label,
  );
  if (word?.type !== 'choice') throw new Error(`There is no word for its ${label}.`);
  return Object.fromEntries(word.options.map((option) => [option.label, option.value]));
}

describe('another solid', () => {
  it('is as large as the one before it', () => {
    const box = stepOf('solid', 's2', 's1', { solid: { type: 'box', widthMm: 30, depthMm: 8, heightMm: 5 } }); // oxfmt-ignore
    const ring = stepOf('solid', 's2', 's1', { solid: { type: 'ring', outerMm: 30, rodMm: 4 } });
    const ball = stepOf('solid', 's2', 's1', { solid: { type: 'ball', diameterMm: 30 } });
    for (const step of [box, ring, ball]) {
      expect(Object.values(offered(step, 'solid'))).toEqual([
        { type: 'box', widthMm: 30, depthMm: 30, heightMm: 15 },
        { type: 'cylinder', diameterMm: 30, heightMm: 15 },
        { type: 'cone', diameterMm: 30, topMm: 15, heightMm: 15 },
        { type: 'ball', diameterMm: 30 },
        { type: 'ring', outerMm: 30, rodMm: 6 },
        { type: 'wedge', widthMm: 30, depthMm: 6, heightMm: 30 },
        { type: 'dome', diameterMm: 30 },
      ]);
    }
  });

  it('casts its round outline upwards, unless it was turned', () => {
    const outlineOf = (solid: object, turns?: object) => {
      const step = stepOf('solid', 's2', 's1', { solid, ...(turns && { turns }) } as never);
      return built(workshop, recipeWith([block, step])).steps[1].plan;
    };
    const across = (outline: ReturnType<typeof outlineOf>) =>
      Math.max(...outline.flat().map(([x]) => x)) - Math.min(...outline.flat().map(([x]) => x));
    expect(across(outlineOf({ type: 'ball', diameterMm: 14 }))).toBeCloseTo(14, 2);
    expect(across(outlineOf({ type: 'ring', outerMm: 14, rodMm: 3 }))).toBeCloseTo(14, 2);
    // Otherwise it is its box that is shown.
    const cornersOf = (outline: ReturnType<typeof outlineOf>) => outline.flat().length;
    expect(cornersOf(outlineOf({ type: 'ball', diameterMm: 14 }))).toBeGreaterThan(20);
    expect(cornersOf(outlineOf({ type: 'ball', diameterMm: 14 }, { x: 90, y: 0, z: 0 }))).toBe(4);
    expect(cornersOf(outlineOf({ type: 'box', widthMm: 9, depthMm: 9, heightMm: 9 }))).toBe(4);
  });
});

describe('another outline', () => {
  it('is about as large as the one before it', () => {
    expect(acrossOf({ shape: 'circle', diameterMm: 33 })).toBe(33);
    expect(acrossOf({ shape: 'roundedRectangle', widthMm: 12, depthMm: 40, cornerMm: 60 })).toBe(40);
    const nodes = [[-10, 0], [25, 0], [0, 9]].map(([xMm, yMm]) => ({ xMm, yMm })); // oxfmt-ignore
    expect(acrossOf({ shape: 'points', nodes, closed: true, smooth: false, mirrored: false })).toBe(35);
    expect(acrossOf({ shape: 'circle', diameterMm: { formula: 'd' } })).toBe(20);
    expect(acrossOf({ shape: 'circle', diameterMm: 0.2 })).toBe(1);
  });

  it('has ordinary proportions when it is new', () => {
    expect(createPlain('ellipse', 20)).toEqual({ shape: 'ellipse', widthMm: 20, depthMm: 12 });
    expect(createPlain('ring', 20)).toEqual({ shape: 'ring', outerMm: 20, innerMm: 14 });
    expect(createPlain('circle', 20)).toEqual({ shape: 'circle', diameterMm: 20 });
  });
});

describe('copies', () => {
  const places = (pattern: Parameters<typeof posesOf>[0]) =>
    posesOf(pattern, () => ({ min: [0, 0, 0], max: [10, 6, 4] })).map((pose) => posed(pose, [0, 0, 0]));

  it('of a row and of a grid stand where they are counted to', () => {
    expect(places({ type: 'row', axis: 'y', count: 3, stepMm: 7 })).toEqual([[0, 7, 0], [0, 14, 0]]); // oxfmt-ignore
    expect(places({ type: 'grid', columns: 3, columnMm: 10, rows: 2, rowMm: 8 })).toEqual([
      [10, 0, 0],
      [20, 0, 0],
      [0, 8, 0],
      [10, 8, 0],
      [20, 8, 0],
    ]);
  });

  it('come in few to begin with', () => {
    const repeat = stepOf('repeat', 's2', undefined, { of: [{ step: 's1' }] });
    expect(offered(repeat, 'how it is repeated')).toEqual({
      'in a row': { type: 'row', axis: 'x', count: 3, stepMm: 10 },
      'on a grid': { type: 'grid', columns: 3, columnMm: 10, rows: 2, rowMm: 10 },
      'around an axis': { type: 'around', axis: 'z', count: 6, deg: 360, about: { plate: true } },
      'in a mirror': { type: 'mirror', axis: 'x', about: { plate: true } },
    });
  });
});

describe('another place', () => {
  const post = (placement: object) =>
    stepOf('extrude', 's2', 's1', { outline: square(8), placement } as never);
  const distances = (step: Step, axis: string) => {
    const recipe = recipeWith([block, step]);
    const word = sentenceOf(step, { recipe, index: 1 }).find(
      (token) => token.type === 'choice' && token.path.join() === `placement,${axis}`,
    );
    if (word?.type !== 'choice') throw new Error('Its place cannot be chosen.');
    return word.options.map(({ value }) => value as { relation: string; mm?: number; overlapMm?: number });
  };

  it('keeps the distance that was typed, and is five millimetres where there was none', () => {
    const far = distances(post(on('s1', { x: fromLeft(7) })), 'x');
    expect(far.flatMap(({ mm }) => mm ?? [])).toEqual([7, 7, 7, -7, 7, -7]);
    const near = distances(post(on('s1', { x: fromLeft(0) })), 'x');
    expect(near.flatMap(({ mm }) => mm ?? [])).toEqual([5, 5, 5, -5, 5, -5]);
    expect(near.flatMap(({ overlapMm }) => overlapMm ?? [])).toEqual([0, 0, 1, 1]);
  });

  it('is as high as it was, and above the plate by five millimetres where it stood on it', () => {
    const heights = (mm: number) =>
      distances(post(onPlate({ z: { relation: 'at', own: 'low', mm } })), 'z').map((value) => value.mm);
    expect(heights(3)).toEqual(expect.arrayContaining([0, 3]));
    expect(heights(0)).toEqual(expect.arrayContaining([0, 5]));
  });
});

it('the outside alone is offered to be finished where an edge is', () => {
  const labels = (fields: object) =>
    additionsOf(stepOf('extrude', 's1', undefined, fields as never)).map(({ label }) => label);
  const edge = { finish: 'chamfer', mm: 1 };
  const isOffered = (fields: object) => labels(fields).includes('finish the outside only');
  expect(isOffered({})).toBe(false);
  expect(isOffered({ top: edge })).toBe(true);
  expect(isOffered({ bottom: edge })).toBe(true);
  expect(isOffered({ bottom: edge, finishes: 'outer' })).toBe(false);
});

it('half a profile is drawn for what is turned about an axis, and for nothing else', () => {
  const turning = stepKinds.filter(({ kind }) => turnsProfile(createStep(kind, 's1', undefined)));
  expect(turning.map(({ kind }) => kind)).toEqual(['revolve']);
});

it('a figure is a relief where it stands on, or opens in, the face of another step', () => {
  const reliefsOf = (fields: object) =>
    built(workshop, recipeWith([block, stepOf('extrude', 's2', 's1', { outline: square(8), depth: { type: 'by', mm: 1 }, ...fields } as never)])).origin.reliefs; // oxfmt-ignore
  const inTop = (mm: number, edge = 'high') => on('s1', { z: { relation: 'inFrom', edge, mm } as never });
  expect(reliefsOf({ placement: on('s1') })).toMatchObject([{ effect: 'raised', isLettering: false }]);
  expect(reliefsOf({ effect: 'cut', placement: inTop(0) })).toMatchObject([{ effect: 'sunk', isLettering: false }]); // oxfmt-ignore
  expect(reliefsOf({ effect: 'cut', placement: inTop(2) })).toEqual([]);
  expect(reliefsOf({ effect: 'cut', placement: inTop(0, 'low') })).toEqual([]);
  expect(reliefsOf({ placement: on('s1', { z: { relation: 'beside', edge: 'high', overlapMm: 0.5 } }) })).toEqual([]); // oxfmt-ignore
  expect(reliefsOf({ depth: { type: 'by', mm: 1 }, placement: onPlate({ x: { relation: 'at', own: 'middle', mm: 60 } }) })).toEqual([]); // oxfmt-ignore
});

it('an eyelet that stands alone has the volume of a ring, and hangs over the edge of what it is put on', () => {
  const { holeMm, wallMm, thickMm } = createStep('eyelet', 's1', undefined) as Extract<Step, { kind: 'eyelet' }>; // oxfmt-ignore
  const alone = built(workshop, recipeWith([createStep('eyelet', 's1', undefined)]));
  const [inner, outer] = [(holeMm as number) / 2, (holeMm as number) / 2 + (wallMm as number)];
  expect(alone.volumeMm3 / (Math.PI * (outer ** 2 - inner ** 2) * (thickMm as number))).toBeCloseTo(1, 2);
  expect(createStep('eyelet', 's2', 's1')).toMatchObject({
    placement: { on: { step: 's1' }, x: { relation: 'beside', edge: 'low', overlapMm: 2.5 } },
  });
  expect(createStep('eyelet', 's2', undefined)).toMatchObject({
    placement: { on: { plate: true }, x: { relation: 'centred' } },
  });
});

it('a hole that goes right through goes through what stands above its face as well', () => {
  const tower = stepOf('extrude', 's2', 's1', { outline: square(12), depth: { type: 'by', mm: 20 } });
  const recipe = (steps: Step[]): Recipe => recipeWith([block, tower, ...steps]);
  const hole = stepOf('hole', 's3', 's1', {
    size: { by: 'diameter', mm: 4 },
    depth: { type: 'through' },
    placement: on('s1', { z: onTop }),
  });
  const [whole, pierced] = [recipe([]), recipe([hole])].map((each) => built(workshop, each).volumeMm3);
  expect((whole - pierced) / (Math.PI * 4 * 30)).toBeCloseTo(1, 1);
});

it('what is set down is called by the side that it lies on', () => {
  const words = ([x, y, z]: [number, number, number]) => {
    const step = stepOf('setDown', 's2', undefined, { face: { normal: [x, y, z] } });
    const recipe = recipeWith([block, step]);
    const token = sentenceOf(step, { recipe, index: 1 }).find(({ type }) => type === 'face');
    return token?.type === 'face' ? token.words : '';
  };
  expect(words([0, 0, -1])).toBe('its underside');
  expect(words([0, 0, 1])).toBe('its top');
  expect(words([0, -1, 0])).toBe('its front');
  expect(words([0, 1, 0])).toBe('its back');
  expect(words([-1, 0, 0])).toBe('its left side');
  expect(words([1, 0, 0])).toBe('its right side');
});

it('a number too far from what a field takes is refused at that field', () => {
  const recipe = recipeWith([block]);
  for (const [path, value] of [
    [['outline', 'widthMm'], -1],
    [['depth', 'mm'], 0],
    [['turnDeg'], 400],
  ] as const)
    // oxfmt-ignore
    expect(setField(recipe, 's1', path, value)).toMatchObject({ ok: false, problem: { stepId: 's1', path } });
});

it('an object gets a hole as much larger as its fit and the shrinkage ask', () => {
  const printer = { maxOverhangDeg: 45, shrinkagePercent: 2, fitAllowanceMm: { loose: 0.6, sliding: 0.35, snug: 0.2, press: 0.05 } }; // oxfmt-ignore
  expect(fittedDiameter(8, 'sliding', printer)).toBeCloseTo(8.35 / 0.98, 9);
  expect(fittedDiameter(8, 'press', { ...printer, shrinkagePercent: 0 })).toBeCloseTo(8.05, 9);
});

it('what lies flush with a face says so without a number, and how far in where it does not', () => {
  const words = (step: Step) => {
    const recipe = recipeWith([block, step]);
    return plainSentence(sentenceOf(step, { recipe, index: 1 }));
  };
  const cut = (mm: number) =>
    stepOf('extrude', 's2', 's1', { effect: 'cut', outline: square(8), placement: on('s1', { z: { relation: 'inFrom', edge: 'high', mm } }) }); // oxfmt-ignore
  expect(words(cut(0))).toContain(', starting at its top, ');
  expect(words(cut(1))).toMatch(/\b1 mm/);
  expect(words(cut(2))).toMatch(/\b2 mm/);
  const side = (mm: number) => stepOf('extrude', 's2', 's1', { outline: square(8), placement: on('s1', { x: fromLeft(mm) }) }); // oxfmt-ignore
  expect(words(side(0))).toMatch(/\b0 mm in from the left/);
});

it('is five millimetres away where it was a share of the way before', () => {
  const step = stepOf('extrude', 's2', 's1', { outline: square(8), placement: on('s1', { x: { relation: 'share', percent: 40 } }) }); // oxfmt-ignore
  const recipe = recipeWith([block, step]);
  const word = sentenceOf(step, { recipe, index: 1 }).find(
    (token) => token.type === 'choice' && token.path.join() === 'placement,x',
  );
  const values = word?.type === 'choice' ? word.options.map(({ value }) => value as { mm?: number }) : [];
  expect(values.flatMap(({ mm }) => mm ?? [])).toEqual([5, 5, 5, -5, 5, -5]);
});

it('what leans can be moved both ways', () => {
  const moves = additionsOf(createStep('sweep', 's1', undefined)).map(({ path }) => path.join());
  expect(moves).toEqual(expect.arrayContaining(['placement,x', 'placement,y']));
});
