import fc from 'fast-check';
import { beforeAll, describe, expect, it } from 'vitest';
import { anyRecipe } from '../../test/anyRecipe.ts';
import { kernelWithMemory } from '../../test/kernelMemory.ts';
import { label } from '../../test/recipes.ts';
import { nodeWorkshop } from '../../node/workshop.ts';
import { boundsOf, facesOf, topologyOf, volumeOf } from '../mesh/index.ts';
import { emptyRecipe, moveStep, setField, type FieldPath, type Recipe } from '../recipe/index.ts';
import { evaluate, inScope, Sections, type Evaluated, type Workshop } from './index.ts';

let workshop: Workshop;
beforeAll(async () => (workshop = await nodeWorkshop()));

function built(recipe: Recipe): Evaluated {
  const result = evaluate(recipe, workshop);
  if (!result.ok) throw new Error(result.problem.message);
  return result;
}

function changed(recipe: Recipe, stepId: string, path: FieldPath, value: unknown): Recipe {
  const result = setField(recipe, stepId, path, value);
  if (!result.ok) throw new Error(result.problem.message);
  return result.recipe;
}

const first = (recipe: Recipe, count: number): Recipe => ({ ...recipe, steps: recipe.steps.slice(0, count) });

describe('a label', () => {
  it('has the volume of its plate, less the hole', () => {
    const plate = (84 * 28 - (4 - Math.PI) * 5 ** 2) * 2.6;
    expect(built(first(label(), 1)).volumeMm3 / plate).toBeCloseTo(1, 3);
    const hole = Math.PI * 2.25 ** 2 * 2.6;
    expect(built(first(label(), 2)).volumeMm3 / (plate - hole)).toBeCloseTo(1, 3);
  });

  it('stands on the plate, as wide as it says and as high as its letters', () => {
    const { min, max } = boundsOf(built(label()).mesh);
    const expected = [-42, -14, 0, 42, 14, 3.8];
    expect([...min, ...max]).toEqual(expected.map((value) => expect.closeTo(value, 4) as number));
  });

  it('writes letters as tall as it says, centred', () => {
    const [, , letters] = built(label('HEH')).steps;
    expect(letters.box.max[1] - letters.box.min[1]).toBeCloseTo(12, 1);
    expect(letters.box.max[0] + letters.box.min[0]).toBeCloseTo(0, 3);
  });

  it('keeps the openings of letters open', () => {
    const solid = built(label('O')).mesh;
    const openings = inScope((scope) =>
      new Sections(workshop.kernel, scope, solid)
        .at(scope, 3)
        .outlines()
        .filter((outline) => areaOf(outline) < 0),
    );
    expect(openings).toHaveLength(1);
  });

  it('knows for every triangle which step it came from', () => {
    const { mesh } = built(label());
    const { normals } = facesOf(mesh);
    const stepOf = mesh.stepOf!;
    const top = (f: number) =>
      Math.max(...[0, 1, 2].map((k) => mesh.positions[3 * mesh.triangles[3 * f + k] + 2]));
    for (let f = 0; f < stepOf.length; f++) {
      if (top(f) > 2.7) expect(stepOf[f]).toBe(2);
      if (normals[3 * f + 2] < -0.9) expect(stepOf[f]).toBe(0);
    }
    expect(new Set(stepOf)).toEqual(new Set([0, 1, 2]));
  });
});

describe('positions', () => {
  it('measure a hole to its middle and a shape to its edge', () => {
    const recipe = changed(label(), 's3', ['placement', 'x'], { relation: 'inFrom', edge: 'high', mm: 3 });
    const { steps } = built(recipe);
    expect((steps[1].box.min[0] + steps[1].box.max[0]) / 2).toBeCloseTo(-42 + 7, 4);
    expect(steps[2].box.max[0]).toBeCloseTo(42 - 3, 4);
  });

  it('keep the design whole when a size changes', () => {
    const { steps } = built(changed(label(), 's1', ['outline', 'widthMm'], 100));
    expect((steps[1].box.min[0] + steps[1].box.max[0]) / 2).toBeCloseTo(-50 + 7, 4);
  });
});

describe('what cannot be built', () => {
  it.each([
    ['letters that are missing', 's3', ['lettering', 'words'], '  ', 'no letters'],
    ['a letter that no font has', 's3', ['lettering', 'words'], '李', 'no font here has “李”'],
    ['corners larger than the side', 's1', ['outline', 'cornerMm'], 15, 'at most 14 mm'],
  ])('is said at its field: %s', (_, stepId, path, value, words) => {
    const result = evaluate(changed(label(), stepId, path, value), workshop);
    expect(result).toMatchObject({
      ok: false,
      problem: { stepId, path, message: expect.stringContaining(words) as string },
    });
  });

  it('is said when a hole comes before all material', () => {
    const recipe = changed(moveStep(first(label(), 2), 's2', -1), 's2', ['placement', 'on'], { plate: true });
    expect(evaluate(recipe, workshop)).toMatchObject({ ok: false, problem: { stepId: 's2' } });
  });

  it('is nothing at all for an empty recipe: an empty mesh', () => {
    expect(built(emptyRecipe()).mesh.triangles).toHaveLength(0);
  });
});

it('notices a hole beside the part', () => {
  const recipe = changed(label(), 's2', ['placement', 'x', 'mm'], -10);
  expect(built(recipe).steps.map((step) => step.changed)).toEqual([true, false, true]);
});

it('makes a closed solid of any recipe, of the volume the kernel says', () => {
  fc.assert(
    fc.property(anyRecipe, (recipe) => {
      const result = evaluate(recipe, workshop);
      if (!result.ok) {
        expect(result.problem.message).toMatch(/^Step \d/);
        return;
      }
      expect(topologyOf(result.mesh).openEdges).toBe(0);
      expect(volumeOf(result.mesh)).toBeCloseTo(result.volumeMm3, 0);
    }),
    { numRuns: 60 },
  );
});

it('leaves the kernel’s memory as it found it', async () => {
  const { heldBytes, ...fresh } = await kernelWithMemory();
  for (let i = 0; i < 10; i++) evaluate(label(), fresh);
  const before = heldBytes();
  for (let i = 0; i < 50; i++) evaluate(label(), fresh);
  expect(heldBytes()).toBe(before);
});

function areaOf(outline: [number, number][]): number {
  return outline.reduce((sum, [x, y], i) => {
    const [nx, ny] = outline[(i + 1) % outline.length];
    return sum + (x * ny - nx * y) / 2;
  }, 0);
}
