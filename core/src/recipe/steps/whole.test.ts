import { beforeAll, describe, expect, it } from 'vitest';
import { BLOCK, block, square } from '../../../test/block.ts';
import { built as builtIn, recipeWith, stepOf, withField } from '../../../test/evaluated.ts';
import { nodeWorkshop } from '../../../node/workshop.ts';
import { boundsOf, sizeOf } from '../../mesh/index.ts';
import { regionAreaOf } from '../../plane/index.ts';
import {
  plainSentence,
  sentenceOf,
  setField,
  type Recipe,
  type Step,
  type Token,
} from '../../recipe/index.ts';
import { at, fromLeft, on } from '../../starters/places.ts';
import { evaluate, type EvaluationOptions, type Workshop } from '../../solid/index.ts';

let workshop: Workshop;
beforeAll(async () => (workshop = await nodeWorkshop()));
const built = (recipe: Recipe, options?: EvaluationOptions) => builtIn(workshop, recipe, options);
const problem = (recipe: Recipe) => {
  const result = evaluate(recipe, workshop);
  return result.ok ? undefined : result.problem;
};

const size = (recipe: Recipe) =>
  sizeOf(boundsOf(built(recipe).mesh)).map((mm) => Math.round(mm * 1000) / 1000);

describe('repeat, trim and set down', () => {
  const post = stepOf('extrude', 's2', 's1', {
    outline: square(4),
    depth: { type: 'by', mm: 5 },
    placement: on('s1', { x: fromLeft(2) }),
  });

  it.each([
    ['in a row', { type: 'row', axis: 'x', count: 4, stepMm: 9 }, 4],
    ['on a grid', { type: 'grid', columns: 3, columnMm: 9, rows: 2, rowMm: 8 }, 6],
    ['around an axis', { type: 'around', axis: 'z', count: 4, deg: 360, about: { step: 's1' } }, 4],
    ['over part of a turn', { type: 'around', axis: 'z', count: 3, deg: 90, about: { plate: true } }, 3],
    ['in a mirror', { type: 'mirror', axis: 'x', about: { step: 's1' } }, 2],
  ] as const)('makes copies %s', (_, pattern, count) => {
    const recipe = recipeWith([
      block,
      post,
      stepOf('repeat', 's3', undefined, { of: [{ step: 's2' }], pattern }),
    ]);
    expect(built(recipe).volumeMm3).toBeCloseTo(BLOCK + count * 80, 2);
  });

  it('turns copies about the very middle of a step, and mirrors them there, however high it lies', () => {
    const raised = stepOf('extrude', 's2', 's1', {
      outline: { shape: 'roundedRectangle', widthMm: 4, depthMm: 6, cornerMm: 0 },
      depth: { type: 'by', mm: 8 },
      placement: on('s1', { x: fromLeft(2) }),
    });
    const heights = (pattern: Extract<Step, { kind: 'repeat' }>['pattern']) => {
      const steps = [block, raised, stepOf('repeat', 's3', undefined, { of: [{ step: 's2' }], pattern })];
      const { min, max } = boundsOf(built(recipeWith(steps)).mesh);
      return [min[2], max[2]].map((mm) => Math.round(mm * 100) / 100);
    };
    const alone = boundsOf(built(recipeWith([block, raised])).mesh).max[2];
    // Turned and mirrored about its own middle, it lies where it lay.
    expect(heights({ type: 'around', axis: 'x', count: 2, deg: 360, about: { step: 's2' } })).toEqual([
      0,
      alone,
    ]);
    expect(heights({ type: 'mirror', axis: 'z', about: { step: 's2' } })).toEqual([0, alone]);
  });

  it('equals its steps written out', () => {
    const row = stepOf('repeat', 's3', undefined, {
      of: [{ step: 's2' }],
      pattern: { type: 'row', axis: 'x', count: 3, stepMm: 11 },
    });
    const written = [13, 24].map(
      (mm, i) => ({ ...post, id: `s${i + 3}`, placement: on('s1', { x: fromLeft(mm) }) }) as Step,
    );
    const [short, long] = [
      built(recipeWith([block, post, row])),
      built(recipeWith([block, post, ...written])),
    ];
    expect(short.volumeMm3).toBeCloseTo(long.volumeMm3, 6);
    expect(boundsOf(short.mesh)).toEqual(boundsOf(long.mesh));
    expect(short.mesh.triangles.length).toBe(long.mesh.triangles.length);
  });

  it('of everything since a step takes in what is added later, and leaves out what is switched off', () => {
    const pattern = { type: 'row', axis: 'x', count: 2, stepMm: 20 } as const;
    const hole = stepOf('hole', 's4', 's2', { size: { by: 'diameter', mm: 2 } });
    const repeatOf = (of: Extract<Step, { kind: 'repeat' }>['of']) =>
      stepOf('repeat', 's3', undefined, { of, pattern });
    const since = repeatOf({ since: { step: 's2' } });
    const named = repeatOf([{ step: 's2' }, { step: 's4' }]);
    const volume = (...steps: Step[]) => built(recipeWith(steps)).volumeMm3;
    expect(volume(block, post, hole, since)).toBeCloseTo(volume(block, post, hole, named), 6);
    expect(volume(block, post, hole, since)).toBeLessThan(volume(block, post, since, hole));
    const off = { ...hole, off: true } as Step;
    expect(volume(block, post, off, since)).toBeCloseTo(volume(block, post, repeatOf([{ step: 's2' }])), 6);
  });

  it('read as steps or as everything since one, each offered in the words of the other', () => {
    const pattern = { type: 'row', axis: 'x', count: 2, stepMm: 20 } as const;
    const recipe = recipeWith([
      block,
      post,
      stepOf('repeat', 's3', undefined, { of: [{ step: 's2' }], pattern }),
    ]);
    const which = sentenceOf(recipe.steps[2], { recipe, index: 2 }).find(
      (token) => token.type === 'choice' && token.label === 'what is repeated',
    ) as Extract<Token, { type: 'choice' }>;
    const edited = setField(recipe, 's3', which.path, which.options[1].value);
    if (!edited.ok) throw new Error(edited.problem.message);
    const words = plainSentence(sentenceOf(edited.recipe.steps[2], { recipe: edited.recipe, index: 2 }));
    expect(words).toContain('Repeat everything since step 2 in a row');
  });

  it('of too much is refused', () => {
    const pattern = { type: 'grid', columns: 100, columnMm: 1, rows: 100, rowMm: 1 } as const;
    expect(
      problem(recipeWith([block, stepOf('repeat', 's2', undefined, { of: [{ step: 's1' }], pattern })]))
        ?.message,
    ).toContain('at most 400');
  });

  it.each([
    ['below', 4, 6],
    ['above', 4, 4],
    ['left', 10, 2.5],
    ['right', 10, 7.5],
    ['front', 5, 10 / 3],
    ['back', 5, 20 / 3],
  ] as const)('trims off what is %s', (away, atMm, tenth) => {
    const trimmed = recipeWith([block, stepOf('trim', 's2', undefined, { away, atMm })]);
    expect(built(trimmed).volumeMm3).toBeCloseTo((BLOCK * tenth) / 10, 1);
  });

  it('trims at a tilt', () => {
    const trimmed = recipeWith([
      block,
      stepOf('trim', 's2', undefined, { away: 'above', atMm: 5, tiltDeg: 10 }),
    ]);
    expect(built(trimmed).volumeMm3).toBeCloseTo(BLOCK / 2, 1);
  });

  it('lies on the face that is chosen', () => {
    const down = (normal: [number, number, number]) =>
      recipeWith([block, post, stepOf('setDown', 's3', undefined, { face: { normal } })]);
    expect(size(down([1, 0, 0]))).toEqual([15, 30, 40]);
    expect(size(down([0, 0, 1]))).toEqual([40, 30, 15]);
    expect(boundsOf(built(down([0, 1, 0])).mesh).min[2]).toBeCloseTo(0, 4);
    expect(built(down([0, -1, 0])).volumeMm3).toBeCloseTo(BLOCK + 80, 2);
  });

  it('is where later steps find it', () => {
    const recipe = recipeWith([
      block,
      stepOf('setDown', 's2', undefined, { face: { normal: [1, 0, 0] } }),
      stepOf('extrude', 's3', 's1', { outline: square(4), depth: { type: 'by', mm: 3 } }),
    ]);
    expect(size(recipe)).toEqual([10, 30, 43]);
  });
});

describe('a part that is set down', () => {
  it('as it stands leaves later steps where they were', () => {
    // What a hole cuts with is longer than the hole that its sentence speaks of.
    const hole = stepOf('hole', 's2', 's1');
    const plug = (id: string) =>
      stepOf('extrude', id, 's2', {
        outline: square(3),
        depth: { type: 'by', mm: 1 },
        placement: on('s2', { z: { relation: 'beside', edge: 'high', overlapMm: 0 } }),
      });
    const where = (recipe: Recipe) => built(recipe).steps.at(-1)!.box;
    const asIs = where(recipeWith([block, hole, plug('s3')]));
    const down = where(recipeWith([block, hole, stepOf('setDown', 's4', undefined), plug('s3')]));
    for (const end of ['min', 'max'] as const)
      for (const axis of [0, 1, 2]) expect(down[end][axis]).toBeCloseTo(asIs[end][axis], 4);
  });

  it('keeps the outlines of its steps, as seen from above', () => {
    const round = stepOf('extrude', 's1', undefined, {
      outline: { shape: 'circle', diameterMm: 20 },
      depth: { type: 'by', mm: 4 },
    });
    const turned = stepOf('setDown', 's2', undefined, { turnDeg: 30 });
    expect(regionAreaOf(built(recipeWith([round, turned])).steps[0].plan)).toBeCloseTo(Math.PI * 100, 0);
  });

  it('and scaled gives an outline like that of its own size', () => {
    const twice = stepOf('scale', 's2', undefined, { to: { by: 'length', axis: 'x', mm: 80 } });
    const like = stepOf('extrude', 's3', 's1', {
      outline: { shape: 'ofStep', of: { step: 's1' }, growMm: 0 },
      depth: { type: 'by', mm: 5 },
    });
    expect(size(recipeWith([block, twice, like]))).toEqual([80, 60, 25]);
    expect(built(recipeWith([block, twice, like])).volumeMm3).toBeCloseTo(8 * BLOCK + 80 * 60 * 5, 0);
  });

  it('still finds a hole that was filled after it', () => {
    const hole = stepOf('hole', 's2', 's1');
    const turned = stepOf('setDown', 's3', undefined, { face: { normal: [1, 0, 0] } });
    const plug = stepOf('extrude', 's4', 's2', {
      outline: square(2),
      depth: { type: 'by', mm: 40 },
      placement: on('s2', { z: at(0, 'low') }),
    });
    const notes = built(recipeWith([block, hole, turned, plug])).steps[1].notes.join();
    expect(notes).toContain('fill');
  });
});

describe('steps that do nothing or too little', () => {
  it.each([
    [
      'a piece that touches nothing',
      stepOf('extrude', 's2', 's1', {
        outline: square(4),
        placement: on('s1', { z: { relation: 'beside', edge: 'high', overlapMm: -3 } }),
      }),
      'touches nothing',
    ],
    [
      'a cut beside the part',
      stepOf('hole', 's2', 's1', { placement: on('s1', { x: fromLeft(-20) }) }),
      'cuts nothing',
    ],
    [
      'material inside material',
      stepOf('extrude', 's2', 's1', { outline: square(4), placement: on('s1', { z: at(0, 'low') }) }),
      'adds nothing',
    ],
    [
      'keeping all',
      stepOf('extrude', 's2', 's1', { effect: 'keep', outline: square(90), depth: { type: 'through' } }),
      'takes nothing away',
    ],
  ])('say so: %s', (_, step, words) => {
    expect(built(recipeWith([block, step])).steps[1].notes.join()).toContain(words);
  });

  it('are passed over when they are switched off', () => {
    const off = withField(recipeWith([block, stepOf('hole', 's2', 's1')]), 's2', ['off'], true);
    expect(built(off).volumeMm3).toBeCloseTo(BLOCK, 6);
    expect(built(off).steps.map(({ stepId }) => stepId)).toEqual(['s1']);
  });
});
