import { beforeAll, describe, expect, it } from 'vitest';
import { BLOCK, block, square } from '../../../test/block.ts';
import { built as builtIn, genusOf, recipeWith, stepOf } from '../../../test/evaluated.ts';
import { nodeWorkshop } from '../../../node/workshop.ts';
import { topologyOf } from '../../mesh/index.ts';
import { extentOf, signedAreaOf } from '../../plane/index.ts';
import {
  classroomPrinter,
  createStep,
  fittedDiameter,
  sentenceOf,
  type Recipe,
  type Step,
} from '../../recipe/index.ts';
import { at, fromLeft, on, onTop } from '../../starters/places.ts';
import { evaluate, type EvaluationOptions, type Workshop } from '../../solid/index.ts';
import { CLEAR_MM } from './extrude.ts';
import { rimmed } from './holeRim.ts';

let workshop: Workshop;
beforeAll(async () => (workshop = await nodeWorkshop()));
const built = (recipe: Recipe, options?: EvaluationOptions) => builtIn(workshop, recipe, options);
const problem = (recipe: Recipe) => {
  const result = evaluate(recipe, workshop);
  return result.ok ? undefined : result.problem;
};

describe('holes', () => {
  const hole = (fields: Partial<Extract<Step, { kind: 'hole' }>>) =>
    stepOf('hole', 's2', 's1', {
      size: { by: 'diameter', mm: 4 },
      placement: on('s1', { z: { relation: 'inFrom', edge: 'high', mm: 0 } }),
      ...fields,
    });
  const cutBy = (fields: Partial<Extract<Step, { kind: 'hole' }>>) =>
    BLOCK - built(recipeWith([block, hole(fields)])).volumeMm3;
  const disc = (diameter: number) => (Math.PI * diameter ** 2) / 4;
  const cone = (low: number, high: number, tall: number) =>
    (Math.PI * tall * (low ** 2 + high ** 2 + low * high)) / 3;

  it('have the diameter that they say, for a screw that of ISO 273, for an object what its fit needs', () => {
    expect(cutBy({ size: { by: 'diameter', mm: 6 } }) / (disc(6) * 10)).toBeCloseTo(1, 1);
    expect(cutBy({ size: { by: 'screw', screw: 'M4', play: 'loose' } }) / (disc(4.8) * 10)).toBeCloseTo(1, 1);
    const drawn = fittedDiameter(8, 'sliding', classroomPrinter);
    expect(drawn).toBeGreaterThan(8.35);
    expect(cutBy({ size: { by: 'fit', mm: 8, fit: 'sliding' } }) / (disc(drawn) * 10)).toBeCloseTo(1, 1);
    const printer = {
      ...classroomPrinter,
      fitAllowanceMm: { ...classroomPrinter.fitAllowanceMm, sliding: 2 },
    };
    const other = built(recipeWith([block, hole({ size: { by: 'fit', mm: 8, fit: 'sliding' } })]), {
      printer,
    });
    expect((BLOCK - other.volumeMm3) / (disc(10 / 0.997) * 10)).toBeCloseTo(1, 1);
  });

  it.each([
    ['up', 10],
    ['front', 30],
    ['left', 40],
  ] as const)('go right through from the side that faces %s', (facing, long) => {
    const step = hole({ facing, placement: on('s1', { z: { relation: 'centred' } }) });
    const { mesh, volumeMm3 } = built(recipeWith([block, step]));
    expect((BLOCK - volumeMm3) / (disc(4) * long)).toBeCloseTo(1, 1);
    expect(genusOf(mesh)).toBe(1);
  });

  it('end at their depth when they are blind', () => {
    for (const facing of ['up', 'down', 'right'] as const) {
      const step = hole({
        facing,
        depth: { type: 'blind', mm: 3 },
        placement: on('s1', { z: { relation: 'centred' } }),
      });
      const { mesh, volumeMm3 } = built(recipeWith([block, step]));
      expect((BLOCK - volumeMm3) / (disc(4) * 3)).toBeCloseTo(1, 1);
      expect(genusOf(mesh)).toBe(0);
    }
  });

  it('have rims where the surface is, and say where there is none', () => {
    const pocket = (depth: { type: 'by'; mm: number } | { type: 'through' }) =>
      stepOf('extrude', 's3', 's1', {
        effect: 'cut',
        outline: square(12),
        depth,
        placement: on('s1', { z: { relation: 'inFrom', edge: 'high', mm: 0 } }),
      });
    const drilled = (deep: Parameters<typeof pocket>[0], rim?: { type: 'chamfer'; mm: number }) =>
      built(recipeWith([block, pocket(deep), { ...hole({ rim }), id: 's4' }]));
    const low = { type: 'by', mm: 4 } as const;
    const cutAway = drilled(low).volumeMm3 - drilled(low, { type: 'chamfer', mm: 1 }).volumeMm3;
    expect(cutAway / (cone(2, 3, 1) - disc(4))).toBeCloseTo(1, 1);
    const { steps } = drilled({ type: 'through' }, { type: 'chamfer', mm: 1 });
    expect(steps[2].notes.join()).toContain('Its rim does nothing');
  });

  it('that have a rim are as wide above it as the rim, and then as they are, as far as they go', () => {
    const section = rimmed({ type: 'chamfer', mm: 1 }, 2, -5, 4, 9, () => { throw new Error('refused'); }); // oxfmt-ignore
    const { x, y } = extentOf([section]);
    expect([x.low, x.high, y.low, y.high]).toEqual([0, 3, -5, 9]);
    expect(section.at(-1)).toEqual([0, 9]);
    expect(signedAreaOf(section)).toBeCloseTo(2 * 14 + 0.5 + CLEAR_MM, 6);
  });

  it('become holes for the screw that is nearest to their width', () => {
    const screwFor = (mm: number) =>
      sentenceOf(hole({ size: { by: 'diameter', mm } }), { recipe: recipeWith([block]), index: 1 })
        .flatMap((token) => (token.type === 'choice' ? token.options.map(({ value }) => value) : []))
        .find((value) => (value as { by?: string })?.by === 'screw');
    expect(screwFor(4.4)).toMatchObject({ screw: 'M4' });
    expect(screwFor(3.3)).toMatchObject({ screw: 'M3' });
  });

  it('have rims of the right volume', () => {
    const rim = (fields: Partial<Extract<Step, { kind: 'hole' }>>) =>
      cutBy({ size: { by: 'diameter', mm: 4 }, ...fields });
    expect(rim({ rim: { type: 'chamfer', mm: 1 } }) / (disc(4) * 9 + cone(2, 3, 1))).toBeCloseTo(1, 1);
    expect(
      rim({ rim: { type: 'countersink', acrossMm: 9 } }) / (disc(4) * 7.5 + cone(2, 4.5, 2.5)),
    ).toBeCloseTo(1, 1);
    expect(
      rim({ rim: { type: 'counterbore', acrossMm: 8, deepMm: 3 } }) / (disc(4) * 7 + disc(8) * 3),
    ).toBeCloseTo(1, 1);
  });

  it('close with a roof of two tangents and a level top where they lie and one is asked for', () => {
    const cut = (fields: Parameters<typeof hole>[0]) =>
      cutBy({
        size: { by: 'diameter', mm: 6 },
        placement: on('s1', { z: { relation: 'centred' } }),
        ...fields,
      });
    const lean = (42 * Math.PI) / 180;
    const half = (3 * (1 - Math.sin(lean))) / Math.cos(lean);
    const tangent = (3 - 3 * Math.sin(lean)) / Math.cos(lean);
    const section = (9 * (Math.PI + 2 * lean)) / 2 + 3 * tangent + 3 * half;
    expect(cut({ facing: 'front', roof: 'sloping' }) / (section * 30)).toBeCloseTo(1, 2);
    expect(cut({ facing: 'right', roof: 'sloping' }) / (section * 40)).toBeCloseTo(1, 2);
    const rim = { type: 'chamfer', mm: 0.5 } as const;
    const [round, roofed] = [cut({ facing: 'front', rim }), cut({ facing: 'front', rim, roof: 'sloping' })];
    expect(roofed - round).toBeCloseTo(30 * section - 30 * disc(6), -1);
  });

  it('say that a roof does nothing where they stand', () => {
    const upright = built(recipeWith([block, hole({ roof: 'sloping' })]));
    expect(upright.steps[1].notes.join()).toContain('Its roof does nothing');
    expect(BLOCK - upright.volumeMm3).toBeCloseTo(cutBy({}), 6);
  });

  it('say what cannot be', () => {
    expect(
      problem(recipeWith([block, hole({ rim: { type: 'countersink', acrossMm: 3 } })]))?.message,
    ).toContain('wider than the hole');
    const deep = hole({
      depth: { type: 'blind', mm: 2 },
      rim: { type: 'counterbore', acrossMm: 8, deepMm: 3 },
    });
    expect(problem(recipeWith([block, deep]))?.message).toContain('deeper than the hole');
  });

  it('report a later step that fills them', () => {
    const plug = stepOf('extrude', 's3', 's1', {
      outline: square(3),
      placement: on('s1', { z: at(2, 'low') }),
    });
    const notes = (recipe: Recipe) => built(recipe).steps[1].notes.join();
    expect(notes(recipeWith([block, hole({}), plug]))).toContain('fills this opening again');
    expect(
      notes(recipeWith([block, hole({}), { ...plug, placement: on('s1', { x: fromLeft(2) }) } as Step])),
    ).toBe('');
  });
});

describe('an eyelet', () => {
  it.each(['up', 'front', 'right'] as const)(
    'facing %s merges with the part and stays open right through',
    (facing) => {
      const loop = stepOf('eyelet', 's2', 's1', {
        facing,
        thickMm: 3,
        placement: on('s1', {
          x: { relation: 'beside', edge: 'low', overlapMm: 2.5 },
          z: facing === 'up' ? at(0, 'low') : onTop,
        }),
      });
      const upright = {
        ...loop,
        placement: on('s1', { z: { relation: 'beside', edge: 'high', overlapMm: 2.5 } }),
      } as Step;
      const { mesh, steps } = built(recipeWith([block, facing === 'up' ? loop : upright]));
      expect(topologyOf(mesh).bodies).toBe(1);
      expect(genusOf(mesh)).toBe(1);
      expect(steps[1].notes).toEqual([]);
    },
  );

  it('has an opening as long as it is thick, and says what lies before that', () => {
    const behind = stepOf('extrude', 's3', undefined, {
      outline: { shape: 'roundedRectangle', widthMm: 60, depthMm: 2, cornerMm: 0 },
      depth: { type: 'by', mm: 60 },
      placement: {
        ...on('s1', {}),
        on: { plate: true },
        y: { relation: 'at', own: 'middle', mm: 40 },
        z: at(0, 'low'),
      },
    });
    const upright = stepOf('eyelet', 's2', 's1', {
      facing: 'front',
      placement: on('s1', { z: { relation: 'beside', edge: 'high', overlapMm: 2.5 } }),
    });
    const apart = built(recipeWith([block, behind, upright]));
    // The wall behind is not cut into: the one opening is that of the loop.
    expect(genusOf(apart.mesh)).toBe(1);
    expect(apart.steps[2].notes).toEqual([]);
    const within = stepOf('eyelet', 's2', 's1', { placement: on('s1', { z: at(3, 'low') }) });
    expect(built(recipeWith([block, within])).steps[1].notes.join()).toContain('lies before its opening');
  });

  it('is rooted in the top of what it is on when it is stood up, and lies beside that when it is laid down', () => {
    const stance = (step: Step) => {
      const tokens = sentenceOf(step, { recipe: recipeWith([block, step]), index: 1 });
      return tokens.find((token) => token.type === 'choice' && token.label === 'how it stands')!;
    };
    const chosen = (step: Step, label: string) => {
      const token = stance(step) as Extract<ReturnType<typeof stance>, { type: 'choice' }>;
      return token.options.find((option) => option.label === label)!.value as Step;
    };
    const lying = createStep('eyelet', 's2', 's1');
    const upright = chosen(lying, 'upright, facing the front');
    const { mesh, steps } = built(recipeWith([block, upright]));
    expect(genusOf(mesh)).toBe(1);
    const [host, loop] = steps.map(({ box }) => box!);
    expect(loop.min[2]).toBeCloseTo(host.max[2] - 2.5, 6);
    expect(loop.min[0] + loop.max[0]).toBeCloseTo(host.min[0] + host.max[0], 6);
    expect(chosen(upright, 'lying flat')).toEqual(lying);
  });
});
