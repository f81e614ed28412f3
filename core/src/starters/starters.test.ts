import { lessonObjects } from '../document/lessonObjects/index.ts';
import { beforeAll, describe, expect, it } from 'vitest';
import { nodeWorkshop } from '../../node/workshop.ts';
import { built, genusOf, withField } from '../../test/evaluated.ts';
import { classroomLimits, inspect } from '../inspect/index.ts';
import { boundsOf, topologyOf } from '../mesh/index.ts';
import { sentenceOf, stepKinds, type Recipe } from '../recipe/index.ts';
import { evaluate, SolidCache, type Workshop } from '../solid/index.ts';
import { written } from '../solid/letters/written.ts';
import { expectedOf } from '../../test/expectedStarters.ts';
import { starters } from './index.ts';

let workshop: Workshop;
beforeAll(async () => (workshop = await nodeWorkshop()));

describe.each(starters)('$title', ({ id, recipe }) => {
  const expected = expectedOf[id];
  let made: ReturnType<typeof built>;
  beforeAll(() => void (made = built(workshop, recipe)));

  it('has the volume that was worked out without the kernel', () => {
    const letters = (expected.letters ?? []).reduce((sum, { lettering, mm }) => {
      const { region } = written(lettering, workshop.fonts);
      const area = region.reduce((all, outline) => all + shoelace(outline), 0);
      return sum + Math.abs(area) * mm;
    }, 0);
    const { volumeMm3 } = made;
    expect(volumeMm3 / (expected.volumeMm3() + letters)).toBeGreaterThan(0.995);
    expect(volumeMm3 / (expected.volumeMm3() + letters)).toBeLessThan(1.005);
  });

  it('has its size, one body, and as many openings through it as it should', () => {
    const { mesh, steps } = made;
    const { min, max } = boundsOf(mesh);
    expect([...min, ...max].map((mm) => Math.round(mm * 10) / 10 + 0)).toEqual(expected.box);
    expect(topologyOf(mesh)).toMatchObject({ bodies: 1, openEdges: 0 });
    expect(genusOf(mesh)).toBe(expected.genus);
    expect(steps.flatMap(({ notes }) => notes)).toEqual([]);
  });

  it('can be printed as it is', () => {
    const { checks } = inspect(made.mesh, classroomLimits);
    expect(checks.filter(({ verdict }) => verdict === 'fail')).toEqual([]);
  });

  it('comes to the same solid again from what was kept, after numbers were changed and changed back', () => {
    const cache = new SolidCache();
    for (const [index, step] of recipe.steps.entries()) {
      const tokens = sentenceOf(step, { recipe, index });
      const number = tokens.find((token) => token.type === 'number' && typeof token.value === 'number');
      if (number?.type !== 'number') continue;
      const value = Number(number.value);
      const other = value + number.nudge > number.max ? value - number.nudge : value + number.nudge;
      const changed = withField(recipe, step.id, number.path, other);
      const [there, again] = [evaluate(changed, workshop, { cache }), built(workshop, recipe, { cache })];
      expect(again.volumeMm3).toBeCloseTo(made.volumeMm3, 6);
      expect(again.mesh.triangles.length).toBe(made.mesh.triangles.length);
      expect(new Set(again.mesh.stepOf)).toEqual(new Set(made.mesh.stepOf));
      const alone = evaluate(changed, workshop);
      expect(there.ok && there.volumeMm3).toBe(alone.ok && alone.volumeMm3);
    }
    cache.close();
  });
});

function shoelace(outline: readonly (readonly [number, number])[]): number {
  return outline.reduce((sum, [x, y], i) => {
    const [nx, ny] = outline[(i + 1) % outline.length];
    return sum + (x * ny - nx * y) / 2;
  }, 0);
}

describe('the starters together', () => {
  /** All values that stand under a key, anywhere in the recipes. */
  function valuesOf(key: string): Set<unknown> {
    const found = new Set<unknown>();
    const walk = (data: unknown) => {
      if (typeof data !== 'object' || data === null) return;
      if (key in data) found.add((data as Record<string, unknown>)[key]);
      Object.values(data).forEach(walk);
    };
    starters.forEach(({ recipe }) => walk(recipe));
    return found;
  }

  it('show steps of every group and, with the objects of the cookbook, most kinds that there are', () => {
    const examples = [...starters, ...lessonObjects];
    const used = new Set(examples.flatMap(({ recipe }) => recipe.steps.map(({ kind }) => kind)));
    const shown = stepKinds.filter(({ kind }) => used.has(kind));
    expect(new Set(shown.map(({ group }) => group))).toEqual(new Set(stepKinds.map(({ group }) => group)));
    // A file is nothing to begin with, and a kind that is new may have no example yet.
    expect(shown.length).toBeGreaterThan(0.8 * stepKinds.length);
  });

  it.each<[string, string[]]>([
    [
      'shape',
      [
        'roundedRectangle',
        'circle',
        'ellipse',
        'polygon',
        'slot',
        'sector',
        'star',
        'drop',
        'points',
        'svg',
        'ofStep',
        'combined',
        'ring',
        'heart',
      ],
    ],
    ['relation', ['centred', 'inFrom', 'beside', 'share', 'at']],
    ['effect', ['add', 'cut', 'keep', 'raised', 'sunk', 'through']],
    ['finish', ['chamfer', 'fillet']],
    ['away', ['below', 'front']],
  ])('show every %s', (key, all) => {
    const used = valuesOf(key);
    for (const value of all) expect(used, value).toContain(value);
  });

  it('show every repeat, rim, size of hole, and ready solid', () => {
    const types = valuesOf('type');
    for (const type of ['row', 'grid', 'around', 'mirror', 'chamfer', 'countersink', 'counterbore'])
      expect(types).toContain(type);
    for (const type of ['box', 'cylinder', 'cone', 'ball', 'ring', 'wedge', 'dome'])
      expect(types, type).toContain(type);
    for (const by of ['diameter', 'screw', 'fit', 'height', 'width']) expect(valuesOf('by')).toContain(by);
  });

  it('read as sentences whose measures are used', () => {
    const withMeasures: Recipe[] = starters
      .map(({ recipe }) => recipe)
      .filter(({ measures }) => measures.length > 0);
    expect(withMeasures.length).toBeGreaterThan(0);
  });
});
