import { beforeAll, describe, expect, it } from 'vitest';
import { nodeWorkshop } from '../../node/workshop.ts';
import { built, recipeWith, stepOf } from '../../test/evaluated.ts';
import { lessonObjects } from '../document/lessonObjects/index.ts';
import { boundsOf } from '../mesh/index.ts';
import { extentOf } from '../plane/index.ts';
import type { Amount, Measure, Recipe, Step } from '../recipe/index.ts';
import { drawingScribe, type Evaluated, type Workshop } from '../solid/index.ts';
import { starters } from '../starters/index.ts';
import { fromFront, fromLeft, on } from '../starters/places.ts';
import { overlap, type Rect } from './ink.ts';
import type { Sheet } from './paper.ts';
import { partSheet, type PartSheet, type Scale, type SheetWish } from './partSheet.ts';
import { recipeSheet } from './recipeSheet.ts';

let workshop: Workshop;
beforeAll(async () => (workshop = await nodeWorkshop()));

const title = { part: 'Part', project: 'Greenhouse kit', author: 'Asha', date: '1 Mar 2026' };

function drawn(recipe: Recipe, wish: Partial<SheetWish> = {}, solid = built(workshop, recipe)): PartSheet {
  return partSheet(
    recipeSheet(recipe, solid, title),
    { paper: 'a4', projection: 'first', section: 'most', ...wish },
    drawingScribe(workshop.fonts),
  );
}

function sheetOf(recipe: Recipe, wish: Partial<SheetWish> = {}, solid?: Evaluated): Sheet & { scale: Scale } {
  const made = drawn(recipe, wish, solid);
  if (!made.ok) throw new Error(made.reason);
  return { ...made.sheet, scale: made.scale };
}

/** The figures of a sheet, sorted: words that begin with a number, Ø, R or “2 ×”. */
function figuresOf({ texts }: Sheet): string[] {
  return texts
    .map(({ words }) => words)
    .filter((words) => /^(\d+ × )?([ØR] )?\d+(\.\d+)?( ±.*|, .* deep)?$/.test(words) && words !== '0')
    .sort((a, b) => a.localeCompare(b, 'en', { numeric: true }));
}

const rectOf = (region: Sheet['texts'][number]['region']): Rect => {
  const { x, y } = extentOf(region);
  return { x: x.low, y: y.low, width: x.high - x.low, height: y.high - y.low };
};

const byWords = (words: readonly string[]) =>
  [...words].sort((a, b) => a.localeCompare(b, 'en', { numeric: true }));

/** A plate of 60 × 30 × 5 mm, and holes in it that begin in its top. */
const plate = (fields: Partial<Extract<Step, { kind: 'extrude' }>> = {}): Step =>
  stepOf('extrude', 's1', undefined, {
    outline: { shape: 'roundedRectangle', widthMm: 60, depthMm: 30, cornerMm: 4 },
    depth: { type: 'by', mm: 5 },
    ...fields,
  });
const hole = (
  id: string,
  [x, y]: readonly [Amount, Amount],
  fields: Partial<Extract<Step, { kind: 'hole' }>> = {},
): Step =>
  stepOf('hole', id, 's1', {
    size: { by: 'diameter', mm: 6 },
    depth: { type: 'through' },
    facing: 'up',
    placement: on('s1', { x: fromLeft(x), y: fromFront(y), z: { relation: 'inFrom', edge: 'high', mm: 0 } }),
    ...fields,
  });

describe('the measures of a sheet', () => {
  it.each<[string, Recipe, string[]]>([
    ['a plate', recipeWith([plate()]), ['5', '30', '60', '4 × R 4']],
    [
      'a plate with two holes alike',
      recipeWith([plate(), hole('s2', [10, 15]), hole('s3', [50, 15])]),
      ['5', '30', '60', '4 × R 4', '10', '50', '15', '2 × Ø 6'],
    ],
    [
      'a hole with a floor',
      recipeWith([plate(), hole('s2', [20, 12], { depth: { type: 'blind', mm: 3 } })]),
      // Its floor is 2 mm above the plate.
      ['5', '30', '60', '4 × R 4', '20', '12', 'Ø 6, 3 deep', '2'],
    ],
    [
      'a countersunk hole',
      recipeWith([plate(), hole('s2', [20, 12], { rim: { type: 'countersink', acrossMm: 10 } })]),
      // Its wide end is 2 mm above the narrow one, at 90°.
      ['5', '30', '60', '4 × R 4', '20', '12', 'Ø 6', 'Ø 10', '3'],
    ],
    [
      'a disc with a hole, which is round all about',
      recipeWith([
        plate({ outline: { shape: 'circle', diameterMm: 40 } }),
        hole('s2', [17, 17], { size: { by: 'diameter', mm: 6 } }),
      ]),
      ['5', 'Ø 40', 'Ø 6', '17', '17'],
    ],
    [
      'letters, of which only the height is measured',
      recipeWith([plate(), stepOf('letters', 's2', 's1', { byMm: 1.5 })]),
      ['5', '6.5', '30', '60', '4 × R 4'],
    ],
  ])('are those of %s', (_, recipe, figures) => {
    expect(figuresOf(sheetOf(recipe))).toEqual(byWords(figures));
  });

  it('are those of the bracket for the potting bench: legs, holes, outer and inner corners', () => {
    const [bracket] = lessonObjects;
    const figures = figuresOf(sheetOf(bracket.recipe));
    expect(figures).toEqual(expect.arrayContaining(['60', '12.5', '24', '5 × R 6', 'R 3']));
  });

  it('have the tolerance of the measure that they are, and of no other', () => {
    const measures: Measure[] = [
      { name: 'cane', value: 6, tolerance: 0.1 },
      { name: 'other', value: 30, tolerance: 0.5 },
    ];
    const recipe = recipeWith(
      [
        plate(),
        hole('s2', [20, 12], { size: { by: 'diameter', mm: { formula: 'cane' } } }),
        hole('s3', [50, 12]),
      ],
      measures,
    );
    // The other hole is 6 mm by itself, and the plate is 30 mm deep without a measure.
    expect(figuresOf(sheetOf(recipe))).toEqual(
      byWords(['5', '30', '60', '4 × R 4', '20', '50', '12', 'Ø 6', 'Ø 6 ± 0.1']),
    );
    expect(sheetOf(recipe).texts.map(({ words }) => words)).toContain('cane = 6 ± 0.1');
  });
});

const examples = [
  ...starters.filter((_, i) => i % 2 === 0).map(({ id, recipe }) => [id, recipe] as const),
  ...lessonObjects.map(({ title: name, recipe }) => [name, recipe] as const),
].map(([name, recipe], index) => [name, recipe, index] as const);

/** Every example is drawn in the first way, and some of them in the second. */
const wishes: Partial<SheetWish>[] = [{}, { paper: 'a3', projection: 'third', section: 'none' }];

describe.each(examples)('the sheet of %s', (_, recipe, index) => {
  let sheets: (Sheet & { scale: Scale })[];
  let wideMm: number;
  beforeAll(() => {
    const solid = built(workshop, recipe);
    const { min, max } = boundsOf(solid.mesh);
    wideMm = max[0] - min[0];
    sheets = wishes.slice(0, index % 4 === 0 ? 2 : 1).map((wish) => sheetOf(recipe, wish, solid));
  });

  it('keeps inside its border, and writes nothing over other words', () => {
    for (const { texts, lines, fills, widthMm, heightMm } of sheets) {
      const areas = [...texts, ...fills].flatMap(({ region }) => region.flat());
      const outside = [...lines.flatMap((line) => line.points), ...areas].filter(
        ([x, y]) => Math.min(x - 20, widthMm - 10 - x, y - 10, heightMm - 10 - y) < -1e-6,
      );
      expect(outside).toEqual([]);
      const covered = texts
        .filter(({ region }) => region.length > 0)
        .map(({ words, region }) => ({ words, rect: rectOf(region) }));
      const over = covered.flatMap((one, i) =>
        covered
          .slice(i + 1)
          .filter((other) => overlap(one.rect, other.rect))
          .map((other) => `${one.words} | ${other.words}`),
      );
      expect(over).toEqual([]);
    }
  });

  it('draws the views at the scale that it says, one above the other', () => {
    for (const { lines, scale } of sheets) {
      const points = lines.filter(({ kind }) => kind === 'outline').flatMap((line) => line.points);
      // From the front and from above the part ends at the same places to the left and to the right.
      const near = (at: number) => points.filter(([x]) => Math.abs(x - at) < 0.02).map(([, y]) => y);
      const isBoth = (ys: readonly number[]) => Math.max(...ys) - Math.min(...ys) > 5;
      expect(points.some(([x]) => isBoth(near(x)) && isBoth(near(x + wideMm * scale)))).toBe(true);
    }
  });

  it('says how the part is made, and who drew it', () => {
    const words = sheets[0].texts.map((text) => text.words);
    expect(words).toEqual(expect.arrayContaining(['Greenhouse kit', 'Asha', 'How it is made']));
  });
});

describe('a sheet', () => {
  it('says what to do where the part has no room at the scale that is wished', () => {
    const made = drawn(recipeWith([plate()]), { scale: 10 });
    expect(made).toEqual({ ok: false, reason: expect.stringContaining('At 10 : 1 the views do not fit') });
    expect(drawn(recipeWith([plate()]), { scale: 2, paper: 'a3' }).ok).toBe(true);
  });

  it('shows a question mark for a letter that no font has', () => {
    const part = recipeSheet(recipeWith([plate()]), built(workshop, recipeWith([plate()])), {
      ...title,
      author: 'Łucja 李',
    });
    const made = partSheet(
      part,
      { paper: 'a4', projection: 'first', section: 'most' },
      drawingScribe(workshop.fonts),
    );
    if (!made.ok) throw new Error(made.reason);
    const { region } = made.sheet.texts.find(({ words }) => words === 'Łucja 李')!;
    // Six letters, one of them of two areas, and the mark of two.
    expect(region.length).toBeGreaterThanOrEqual(7);
  });
});
