import fc from 'fast-check';
import { beforeAll, describe, expect, it } from 'vitest';
import { built as builtIn, recipeWith, stepOf } from '../../../test/evaluated.ts';
import { nodeWorkshop } from '../../../node/workshop.ts';
import {
  additionsOf,
  chosenCornersOf,
  cornerTapped,
  parseRecipe,
  plainSentence,
  sentenceOf,
  setField,
  type PointsOutline,
  type Recipe,
  type Step,
} from '../../recipe/index.ts';
import { evaluate, type Workshop } from '../../solid/index.ts';

type Extruded = Extract<Step, { kind: 'extrude' }>;
type Corners = NonNullable<Extruded['corners']>;

let workshop: Workshop;
beforeAll(async () => (workshop = await nodeWorkshop()));

const drawn = (points: readonly (readonly [number, number])[]): PointsOutline => ({
  shape: 'points',
  nodes: points.map(([xMm, yMm]) => ({ xMm, yMm })),
  closed: true,
  smooth: false,
  mirrored: false,
});
/** An angle of two legs, counter-clockwise from its heel; its fourth corner turns inwards. */
const bracket = (across = 40, high = 30, thick = 10) =>
  drawn([
    [0, 0],
    [across, 0],
    [across, thick],
    [thick, thick],
    [thick, high],
    [0, high],
  ]);
const square = drawn([[0, 0], [20, 0], [20, 20], [0, 20]]); // oxfmt-ignore

/** A plate 1 mm high, whose volume in mm³ is its area in mm². */
const plate = (outline: Extruded['outline'], corners?: Corners) =>
  recipeWith([stepOf('extrude', 's1', undefined, { outline, corners, depth: { type: 'by', mm: 1 } })]);
const areaOf = (recipe: Recipe) => builtIn(workshop, recipe).volumeMm3;
const notesOn = (recipe: Recipe) => builtIn(workshop, recipe).steps[0].notes;
const problemOf = (recipe: Recipe) => {
  const result = evaluate(recipe, workshop);
  return result.ok ? undefined : result.problem;
};
/** Holds an area to a two-thousandth: arcs are made of short edges. */
const expectArea = (recipe: Recipe, mm2: number) => expect(areaOf(recipe) / mm2).toBeCloseTo(1, 3);
/** What rounding a right angle takes, mm². */
const arc = (mm: number) => (1 - Math.PI / 4) * mm ** 2;
const ANGLE_MM2 = 40 * 10 + 20 * 10;
const round = (which: Corners[number]['which'], mm: number) => ({ which, finish: 'round' as const, mm });
const cut = (which: Corners[number]['which'], mm: number) => ({ which, finish: 'chamfer' as const, mm });
const these = (of: number, ...numbers: number[]) => ({ numbers, of });

describe('the corners of an outline', () => {
  it('are rounded outside and inside, each by a size of its own', () => {
    expectArea(plate(bracket(), [round('outer', 4), round('inner', 3)]), ANGLE_MM2 - 5 * arc(4) + arc(3));
    expectArea(plate(bracket(), [round('all', 2)]), ANGLE_MM2 - 5 * arc(2) + arc(2));
  });

  it('are cut off straight by a size along each side, and filled where they turn inwards', () => {
    expectArea(plate(bracket(), [cut('all', 3)]), ANGLE_MM2 - 5 * 4.5 + 4.5);
    expectArea(plate(bracket(), [cut('inner', 8)]), ANGLE_MM2 + 32);
  });

  it('are chosen one by one, and leave the others as they are', () => {
    expectArea(plate(bracket(), [round(these(6, 1), 9)]), ANGLE_MM2 - arc(9));
    expectArea(plate(bracket(), [round(these(6, 4), 6)]), ANGLE_MM2 + arc(6));
    const both = plate(bracket(), [round(these(6, 1), 6), cut(these(6, 2, 3), 2)]);
    expectArea(both, ANGLE_MM2 - arc(6) - 2 * 2);
  });

  it('belong to the group that names them most closely', () => {
    const recipe = plate(square, [round(these(4, 1), 8), round('outer', 2), cut('all', 5)]);
    expectArea(recipe, 400 - arc(8) - 3 * arc(2));
  });

  it('are those of openings too', () => {
    const frame: Extruded['outline'] = {
      shape: 'combined',
      pieces: [
        { id: 'p1', how: 'and', outline: square, place: { from: 'middle', xMm: 0, yMm: 0 } },
        { id: 'p2', how: 'without', outline: drawn([[5, 5], [15, 5], [15, 15], [5, 15]]), place: { from: 'middle', xMm: 0, yMm: 0 } },
      ],
    }; // oxfmt-ignore
    expectArea(plate(frame), 300);
    expectArea(plate(frame, [round('inner', 3)]), 300 + 4 * arc(3));
    expectArea(plate(frame, [round('outer', 3)]), 300 - 4 * arc(3));
  });

  it('are rounded between curved edges', () => {
    // A half disc: where its arc meets its straight edge, a circle of radius r touches both.
    const half: Extruded['outline'] = {
      shape: 'points',
      nodes: [
        { xMm: -10, yMm: 0 },
        { xMm: 10, yMm: 0, bend: 100 },
      ],
      closed: true,
      smooth: false,
      mirrored: false,
    };
    const r = 2;
    const middle = Math.sqrt((10 - r) ** 2 - r ** 2);
    const turn = Math.asin(r / (10 - r));
    // Beside the middle of the small circle: the sector of the disc, less the triangle under it and the small sector.
    const corner = (100 * turn) / 2 - (middle * r) / 2 - (r ** 2 * (Math.PI / 2 + turn)) / 2;
    const twoPoints = { ...half, nodes: [...half.nodes] };
    twoPoints.nodes.splice(1, 0, { xMm: 0, yMm: 0 });
    const sharp = areaOf(plate(twoPoints));
    expectArea(plate(twoPoints, [round('all', r)]), sharp - 2 * corner);
    expect(sharp - areaOf(plate(twoPoints, [round('all', r)]))).toBeCloseTo(2 * corner, 1);
  });

  it('are found in drawings that say a point twice', () => {
    const twice: Extruded['outline'] = {
      shape: 'svg',
      name: 'square.svg',
      widthMm: 20,
      outlines: [[0, 0, 20, 0, 20, 0, 20, 20, 0, 20, 0, 0]],
    };
    expectArea(plate(twice, [round('all', 4)]), 400 - 4 * arc(4));
  });

  it('say the largest size that fits', () => {
    expect(problemOf(plate(square, [cut('all', 10)]))).toBeUndefined();
    expect(problemOf(plate(square, [cut('all', 11)]))).toMatchObject({
      path: ['corners', 0, 'mm'],
      message: expect.stringContaining('The largest cut that fits at these corners is 10 mm.') as string,
    });
    expect(problemOf(plate(bracket(), [round(these(6, 2, 3), 6)]))?.message).toContain(
      'The largest rounding that fits at these corners is 5 mm.',
    );
    // Two groups share an edge.
    const two = plate(square, [cut(these(4, 1), 12), cut(these(4, 2), 9)]);
    expect(problemOf(two)?.message).toContain('is 11 mm');
    const wide = plate(bracket(), [round('inner', 25)]);
    expect(notesOn(wide)).toContainEqual(
      expect.stringContaining('no room for 25 mm: their shape stays with 20 mm at most'),
    );
    expect(areaOf(wide)).toBeGreaterThan(ANGLE_MM2 + arc(20));
  });

  it('that were chosen and are gone are asked for again, and the rest is built', () => {
    const five = drawn([[0, 0], [20, 0], [20, 20], [10, 30], [0, 20]]); // oxfmt-ignore
    const recipe = plate(five, [round(these(4, 1), 3), round('inner', 1)]);
    expectArea(recipe, 500);
    expect(notesOn(recipe)).toContainEqual(
      expect.stringContaining('the outline had 4, and has 5 now. Choose them again.'),
    );
    expect(notesOn(plate(square, [round(these(0), 1), cut(these(0), 1)]))).toEqual([
      expect.stringContaining('Choose the corners'),
    ]);
  });

  it('stay the ones that were meant when sizes change', () => {
    const mm = fc.integer({ min: 12, max: 60 });
    fc.assert(
      fc.property(
        mm,
        mm,
        fc.integer({ min: 4, max: 10 }),
        fc.integer({ min: 1, max: 6 }),
        (across, high, thick, number) => {
          const recipe = plate(bracket(across, high, thick), [cut(these(6, number), 1)]);
          const whole = across * thick + (high - thick) * thick;
          expect(areaOf(recipe)).toBeCloseTo(whole + (number === 4 ? 0.5 : -0.5), 3);
          const { corners } = builtIn(workshop, recipe).steps[0];
          expect(corners?.map(({ isOuter }) => isOuter)).toEqual([true, true, true, false, true, true]);
        },
      ),
      { numRuns: 25 },
    );
  });

  it('are those of what is swept and of profiles that are turned', () => {
    const swept = stepOf('sweep', 's1', undefined, {
      of: { type: 'outline', outline: square, corners: [round('all', 4)] },
      heightMm: 2,
      leanDeg: 0,
    });
    expectArea(recipeWith([swept]), 2 * (400 - 4 * arc(4)));
    const profile = drawn([[0, 0], [10, 0], [10, 8], [0, 8]]); // oxfmt-ignore
    const turned = (corners?: Corners) =>
      recipeWith([stepOf('revolve', 's1', undefined, { profile, corners })]);
    // The third corner is the upper rim; what is cut off it is a triangle, whose middle goes round.
    const ring = 2 * Math.PI * (10 - 2 / 3) * 2;
    const taken = areaOf(turned()) - areaOf(turned([cut(these(4, 3), 2)]));
    expect(taken / ring).toBeCloseTo(1, 2);
    expect(chosenCornersOf(swept)).toEqual([]);
  });

  it('are chosen by tapping them, in whichever group is last, and left out by tapping them again', () => {
    const [step] = plate(bracket(), [round(these(6, 2), 1), round(these(6, 5), 3)]).steps;
    expect(chosenCornersOf(step).map(({ numbers }) => numbers)).toEqual([[2], [5]]);
    expect(cornerTapped(step, 1, 6)).toEqual({ path: ['corners', 1, 'which'], value: these(6, 1, 5) });
    expect(cornerTapped(step, 2, 6)).toEqual({ path: ['corners', 0, 'which'], value: these(6) });
    expect(cornerTapped(plate(bracket()).steps[0], 1, 6)).toBeUndefined();
  });

  it('are told where they lie on the plan', () => {
    const recipe = recipeWith([
      stepOf('extrude', 's1', undefined, { outline: square, turnDeg: 90, depth: { type: 'by', mm: 1 } }),
    ]);
    const { corners, box } = builtIn(workshop, recipe).steps[0];
    expect(box.min.slice(0, 2)).toEqual([-10, -10]);
    const at = corners!.map((corner) => corner.at!.map((mm) => Math.round(mm * 1000) / 1000 + 0));
    expect(at).toEqual([[10, -10], [10, 10], [-10, 10], [-10, -10]]); // oxfmt-ignore
  });
});

describe('what a sentence says of corners', () => {
  const wordsOf = (recipe: Recipe) => plainSentence(sentenceOf(recipe.steps[0], { recipe, index: 0 }));

  it('reads as one phrase for each group', () => {
    const recipe = plate(bracket(), [round('outer', 6), round('inner', 3), cut(these(6, 2, 3), 1)]);
    expect(wordsOf(recipe)).toContain(
      'outer corners rounded 6 mm, inner corners rounded 3 mm, the corners 2 and 3 cut off 1 mm',
    );
  });

  it('begins with all corners, goes on with others, and ends as it was drawn', () => {
    let recipe = plate(bracket());
    for (const label of ['round the corners', 'cut the corners off', 'round corners that I choose']) {
      const { path, value } = additionsOf(recipe.steps[0]).find((each) => each.label === label)!;
      const edited = setField(recipe, 's1', path, value);
      if (edited.ok) recipe = edited.recipe;
    }
    expect(wordsOf(recipe)).toContain('all corners rounded 1 mm, inner corners cut off 1 mm, the corners …');
    for (let left = 3; left > 0; left--) {
      const edited = setField(recipe, 's1', ['corners', 0], undefined);
      if (edited.ok) recipe = edited.recipe;
    }
    expect(wordsOf(recipe)).not.toContain('corners');
    expectArea(recipe, ANGLE_MM2);
  });

  it('is read from recipes that could only round outer and inner ones', () => {
    const { corners: _, ...step } = plate(bracket()).steps[0] as Extruded;
    const old = (outerMm: number, innerMm: number) =>
      parseRecipe({
        format: 'kelbrin-recipe',
        version: 4,
        measures: [],
        steps: [{ ...step, rounding: { outerMm, innerMm } }],
      });
    const read = old(4, 3);
    if (read.ok) expectArea(read.recipe, ANGLE_MM2 - 5 * arc(4) + arc(3));
    expect(read.ok).toBe(true);
    const outer = old(4, 0);
    expect(outer.ok && (outer.recipe.steps[0] as Extruded).corners).toEqual([round('outer', 4)]);
  });
});
