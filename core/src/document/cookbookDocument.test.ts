import { readFileSync } from 'node:fs';
import { beforeAll, describe, expect, it } from 'vitest';
import { nodeWorkshop } from '../../node/workshop.ts';
import { built, genusOf } from '../../test/evaluated.ts';
import { withFamily } from '../design/family.ts';
import { designOf, recipeOf } from '../design/index.ts';
import { classroomLimits, inspect } from '../inspect/index.ts';
import { topologyOf } from '../mesh/index.ts';
import { everydaySettings, slice } from '../slice/index.ts';
import type { Workshop } from '../solid/index.ts';
import { cookbookDocument } from './cookbookDocument.ts';
import { lessonObjects } from './lessonObjects/index.ts';

let workshop: Workshop;
beforeAll(async () => (workshop = await nodeWorkshop()));

it('the cookbook is what the recipes say; ./run docs writes it', () => {
  const kept = readFileSync(new URL('../../../docs/cookbook.md', import.meta.url), 'utf8');
  expect(kept).toBe(cookbookDocument());
});

const tunnels: Readonly<Record<string, number>> = {
  'A bracket for the potting bench': 4,
  'A tag like a cloud': 1,
  'A box for seeds': 0,
  'Five trial rings for canes': 1,
  'A gauge for holes': 5,
};

describe.each(lessonObjects)('$title', ({ title, recipe }) => {
  it('is one body that passes every check and can be sliced', () => {
    const { mesh, origin, steps } = built(workshop, recipe);
    expect(steps.flatMap(({ notes }) => notes)).toEqual([]);
    expect(topologyOf(mesh)).toMatchObject({ openEdges: 0, bodies: 1 });
    expect(genusOf(mesh)).toBe(tunnels[title]);
    const { checks } = inspect(mesh, classroomLimits, { origin });
    const failed = checks.filter(({ verdict }) => verdict === 'fail');
    expect(failed.map(({ id, findings }) => [id, findings])).toEqual([]);
    expect(slice(workshop.kernel, mesh, everydaySettings).layers.length).toBeGreaterThan(10);
  });
});

describe.each(lessonObjects.filter((each) => each.family))('$title', ({ recipe, family }) => {
  it('makes a part of each size', () => {
    const design = designOf(recipe, 'Ring');
    const made = withFamily(design, design.parts[0].id, family!);
    if (!made.ok) throw new Error('It makes no family.');
    expect(made.design.parts.length).toBe(family!.rows.length + 1);
    const sizes = made.design.parts.map((part) => built(workshop, recipeOf(made.design, part.id)).volumeMm3);
    expect(new Set(sizes.map((mm3) => mm3.toFixed(2))).size).toBe(family!.rows.length);
  });
});
