import { beforeAll, describe, expect, it } from 'vitest';
import { block } from '../../../test/block.ts';
import { built, recipeWith, stepOf } from '../../../test/evaluated.ts';
import { ball, madeWith, plateWithHole } from '../../../test/solids.ts';
import { nodeWorkshop } from '../../../node/workshop.ts';
import type { SolidMesh } from '../../mesh/index.ts';
import { starters } from '../../starters/index.ts';
import type { Step } from '../../recipe/index.ts';
import type { Kernel, Workshop } from '../../solid/index.ts';
import {
  classroomLimits,
  inspect,
  parseBriefRules,
  requirementKinds,
  requirementWords,
  withRequirementField,
  withPrintNeeds,
  type Finding,
  type InspectionContext,
  type Requirement,
} from '../index.ts';

let workshop: Workshop;
let kernel: Kernel;
beforeAll(async () => {
  workshop = await nodeWorkshop();
  ({ kernel } = workshop);
});

/** What the check says of one requirement; nothing where it cannot tell. */
function asked(
  requirement: Requirement,
  mesh: SolidMesh,
  about: InspectionContext = {},
): Finding | undefined {
  const result = inspect(mesh, classroomLimits, { ...about, brief: { requirements: [requirement] } });
  return result.checks.find(({ id }) => id === 'brief')!.findings[0];
}

function askedOf(requirement: Requirement, steps: Step[]): Finding | undefined {
  const { mesh, origin } = built(workshop, recipeWith(steps));
  return asked(requirement, mesh, { origin });
}

const cube = (x: number, y: number, z: number) =>
  madeWith(kernel, ({ Manifold }) => Manifold.cube([x, y, z]));

describe('a hole', () => {
  const atLeast = (atLeastMm: number, reach: 'through' | 'any' = 'through'): Requirement => ({
    kind: 'hole',
    reach,
    atLeastMm,
  });

  it('must be wide enough as it was designed', () => {
    const met = asked(atLeast(4), plateWithHole(kernel, 4))!;
    expect(met).toMatchObject({ verdict: 'pass', measured: expect.closeTo(4, 2), unit: 'mm', limit: 4 });
    const small = asked(atLeast(4), plateWithHole(kernel, 3.9))!;
    expect(small.verdict).toBe('fail');
    expect(small.message).toBe(
      'Not met: the part has a hole that goes right through, at least Ø 4 mm wide. The widest is Ø 3.9 mm.',
    );
    expect(small.triangles.length).toBeGreaterThan(0);
  });

  it('must be there, and go right through where that is asked', () => {
    expect(asked(atLeast(2), cube(10, 10, 10))).toMatchObject({ verdict: 'fail', measured: 0 });
    const blind = [
      block,
      stepOf('hole', 's2', 's1', { size: { by: 'diameter', mm: 5 }, depth: { type: 'blind', mm: 2 } }),
    ];
    expect(askedOf(atLeast(4), blind)!.verdict).toBe('fail');
    expect(askedOf(atLeast(4, 'any'), blind)).toMatchObject({ verdict: 'pass', steps: ['s2'] });
  });
});

describe('a largest size', () => {
  it('holds whichever side the part is laid on', () => {
    const room: Requirement = { kind: 'box', sizeMm: [60, 40, 8] };
    expect(asked(room, cube(60, 40, 8))!.verdict).toBe('pass');
    expect(asked(room, cube(8, 60, 40))!.verdict).toBe('pass');
    expect(asked(room, cube(41, 41, 8))).toMatchObject({ verdict: 'fail', measured: 41 });
    expect(asked(room, cube(30, 30, 8.2))!.message).toContain('It is 30 × 30 × 8.2 mm');
  });
});

describe('letters', () => {
  const tall: Requirement = { kind: 'letters', tallMm: 8 };
  const written = (size: { by: 'height' | 'width'; mm: number }) =>
    stepOf('letters', 's2', 's1', { lettering: { words: 'HI', font: 'sturdy', size } });

  it('are measured by their capitals, also where a width was given', () => {
    expect(askedOf(tall, [block, written({ by: 'height', mm: 8 })])).toMatchObject({
      verdict: 'pass',
      steps: ['s2'],
    });
    expect(askedOf(tall, [block, written({ by: 'height', mm: 7.9 })])!.verdict).toBe('fail');
    const byWidth = built(workshop, recipeWith([block, written({ by: 'width', mm: 20 })]));
    const { min, max } = byWidth.steps[1].box;
    // H and I reach from the line to the height of a capital.
    expect(byWidth.origin.writings).toEqual([
      { step: 1, capMm: expect.closeTo(max[1] - min[1], 3), isPlaceholder: false },
    ]);
  });

  it('shrink with a part that is scaled', () => {
    const scaled = stepOf('scale', 's3', undefined, { to: { by: 'length', axis: 'x', mm: 20 } });
    const wide = block.kind === 'extrude' ? built(workshop, recipeWith([block])).steps[0].box : undefined;
    const share = 20 / (wide!.max[0] - wide!.min[0]);
    const { origin } = built(workshop, recipeWith([block, written({ by: 'height', mm: 8 }), scaled]));
    expect(origin.writings[0].capMm).toBeCloseTo(8 * share, 3);
  });

  it('count when they lean or stand by themselves, and not when nothing shows', () => {
    const leaning = stepOf('sweep', 's2', 's1', {});
    if (leaning.kind !== 'sweep' || leaning.of.type !== 'letters')
      throw new Error('a sweep begins with letters');
    // Nobody has said yet what they shall say.
    expect(askedOf(tall, [block, leaning])).toMatchObject({ verdict: 'fail', measured: 0 });
    leaning.of.lettering.words = 'Ivy';
    expect(askedOf(tall, [block, leaning])).toMatchObject({ verdict: 'pass', measured: 10 });
    const level = stepOf('letters', 's2', 's1', {
      placement: {
        on: { step: 's1' },
        x: { relation: 'centred' },
        y: { relation: 'centred' },
        z: { relation: 'inFrom', edge: 'high', mm: 0 },
      },
      lettering: { words: 'I', font: 'sturdy', size: { by: 'height', mm: 9 } },
    });
    expect(askedOf(tall, [block, level])).toMatchObject({ verdict: 'fail', measured: 0 });
    expect(askedOf(tall, [block])!.message).toContain('There are none');
  });

  it('cannot be told of a bare mesh', () => {
    expect(asked(tall, cube(20, 20, 20))).toBeUndefined();
  });
});

describe('what printing takes', () => {
  const requirements: Requirement[] = [
    { kind: 'grams', atMostG: 12 },
    { kind: 'oneBody' },
    { kind: 'minutes', within: 40 },
  ];

  it('is held against the brief once it is known, and everything else stays', () => {
    const brief = { requirements };
    const before = inspect(cube(10, 10, 10), classroomLimits, { brief });
    expect(before.checks.at(-1)).toMatchObject({ id: 'brief', verdict: 'pass', measured: 1, limit: 1 });
    const print = { grams: 12.5, minutes: 39 };
    const after = withPrintNeeds(before, print, classroomLimits, brief);
    expect(after.checks.at(-1)!.findings.map(({ requirement, verdict }) => [requirement, verdict])).toEqual([
      [0, 'fail'],
      [1, 'pass'],
      [2, 'pass'],
    ]);
    expect(after).toMatchObject({ verdict: 'fail' });
    const better = withPrintNeeds(after, { ...print, grams: 12 }, classroomLimits, brief);
    expect(better.checks.at(-1)).toMatchObject({ verdict: 'pass', measured: 3, limit: 3 });
    expect(inspect(cube(10, 10, 10), classroomLimits, { brief, print }).checks).toEqual(after.checks);
  });
});

describe('rounded edges', () => {
  const edges: Requirement = { kind: 'rounded' };
  const slab = (more: Partial<Extract<Step, { kind: 'extrude' }>>) => ({ ...block, ...more }) as Step;
  const round = { shape: 'roundedRectangle', widthMm: 40, depthMm: 30, cornerMm: 4 } as const;

  it('are asked of every outer edge but those on the plate', () => {
    expect(asked(edges, cube(30, 20, 10))).toMatchObject({ verdict: 'fail', measured: 140, unit: 'mm' });
    expect(asked(edges, ball(kernel, 10))!.verdict).toBe('pass');
    expect(askedOf(edges, [slab({ outline: round })])!.verdict).toBe('fail');
    for (const finish of ['chamfer', 'fillet'] as const) {
      expect(askedOf(edges, [slab({ outline: round, top: { finish, mm: 1 } })])!.verdict).toBe('pass');
    }
  });

  it('do not count the rim of a hole, or letters well inside', () => {
    const holed = [
      slab({ outline: round, top: { finish: 'chamfer', mm: 1 } }),
      stepOf('hole', 's2', 's1', { size: { by: 'diameter', mm: 4 } }),
      stepOf('letters', 's3', 's1', {
        lettering: { words: 'A', font: 'sturdy', size: { by: 'height', mm: 6 } },
      }),
    ];
    expect(askedOf(edges, holed)!.verdict).toBe('pass');
  });
});

describe('one body', () => {
  it('is one and not two', () => {
    const two = madeWith(kernel, ({ Manifold }) =>
      Manifold.cube([5, 5, 5]).add(Manifold.cube([5, 5, 5]).translate([10, 0, 0])),
    );
    expect(asked({ kind: 'oneBody' }, cube(5, 5, 5))!.verdict).toBe('pass');
    expect(asked({ kind: 'oneBody' }, two)).toMatchObject({ verdict: 'fail', measured: 2 });
  });
});

describe('an object that it holds', () => {
  const cane = (fit: 'loose' | 'sliding' | 'snug' | 'press'): Requirement => ({
    kind: 'object',
    acrossMm: 8,
    fit,
  });

  it.each(['loose', 'sliding', 'snug', 'press'] as const)('goes into a hole drawn for it, %s', (how) => {
    const holed = [block, stepOf('hole', 's2', 's1', { size: { by: 'fit', mm: 8, fit: how } })];
    const found = askedOf(cane(how), holed)!;
    expect(found).toMatchObject({ verdict: 'pass', steps: ['s2'] });
    expect(found.measured).toBeCloseTo(8 + classroomLimits.fitAllowanceMm[how], 2);
    const other = how === 'loose' ? 'press' : 'loose';
    expect(askedOf(cane(other), holed)!.message).toContain(`which is ${how}`);
  });

  it('goes into nothing too tight, too wide or not there', () => {
    expect(asked(cane('press'), plateWithHole(kernel, 7.9))!.message).toContain('too tight');
    expect(asked(cane('loose'), plateWithHole(kernel, 10))!.message).toContain('too wide');
    expect(asked(cane('loose'), cube(20, 20, 20))!.message).toContain('nothing round');
  });

  it('may be held by a clip that is open at one side', () => {
    const { recipe } = starters.find(({ id }) => id === 'cane-clip')!;
    expect(asked(cane('snug'), built(workshop, recipe).mesh)!.message).toMatch(/comes out at Ø [78]/);
  });
});

describe('a list of requirements', () => {
  it('reads as sentences about the part', () => {
    const sentences = requirementKinds.map((kind) => requirementWords(kind.create()));
    // Others may come to these; each says what the part does, on its own.
    for (const each of sentences) expect(each).toMatch(/^[a-z]+s /);
    expect(new Set(sentences).size).toBe(sentences.length);
    for (const each of [
      'has a hole that goes right through, at least Ø 4 mm wide',
      'fits in 60 mm × 40 mm × 8 mm',
      'carries letters at least 8 mm tall',
      'takes at most 12 g',
      'prints within 40 min',
      'has no sharp outer edge, except where it lies on the plate',
      'is one body',
      'holds an object of Ø 8 mm, sliding',
    ])
      expect(sentences).toContain(each);
  });

  it('is changed a field at a time, within the bounds that its sentence has', () => {
    for (const kind of requirementKinds) {
      const requirement = kind.create();
      for (const token of kind.sentence(requirement)) {
        if (token.type !== 'number') continue;
        const changed = withRequirementField(requirement, token.path, token.max);
        expect(changed.ok && requirementWords(changed.changed), kind.kind).toContain(String(token.max));
        const refused = withRequirementField(requirement, token.path, token.max + 1);
        expect(refused, kind.kind).toEqual({ ok: false, message: expect.stringMatching(/^from .* to /) });
        expect(withRequirementField(requirement, token.path, { formula: 'x' }).ok).toBe(false);
      }
    }
    for (const kind of requirementKinds) {
      const requirement = kind.create();
      for (const token of kind.sentence(requirement)) {
        if (token.type !== 'choice') continue;
        for (const { value, label } of token.options) {
          const changed = withRequirementField(requirement, token.path, value);
          expect(changed.ok && requirementWords(changed.changed), kind.kind).toContain(label);
        }
      }
    }
    const hole = withRequirementField({ kind: 'hole', reach: 'any', atLeastMm: 3 }, ['reach'], 'sideways');
    expect(hole).toEqual({ ok: false, message: 'that cannot be chosen' });
  });

  it('is refused with the place of what is wrong', () => {
    const wrong = { requirements: [{ kind: 'oneBody' }, { kind: 'box', sizeMm: [60, -4, 8] }] };
    const parsed = parseBriefRules(wrong);
    expect(parsed.ok ? '' : parsed.message).toMatch(/^requirements › 2 › sizeMm › 2: /);
    expect(parseBriefRules({ requirements: requirementKinds.map((kind) => kind.create()) }).ok).toBe(true);
    expect(parseBriefRules({ wishes: [] }).ok).toBe(false);
  });
});

it('counts the sharp outer edges of a block in whole millimetres, those on the plate aside', () => {
  // Four of 10.4 mm around the top, and four of 5.5 mm.
  expect(asked({ kind: 'rounded' }, cube(10.4, 10.4, 5.5))).toMatchObject({ measured: 64, verdict: 'fail' });
});

it('offers an object as small as half a millimetre, and no smaller', () => {
  const object: Requirement = { kind: 'object', acrossMm: 8, fit: 'sliding' };
  const kind = requirementKinds.find(({ create }) => create().kind === 'object')!;
  expect(kind.sentence(object).find((word) => 'min' in word)).toMatchObject({ min: 0.5, max: 500 });
});
