import { createRequire } from 'node:module';
import { beforeAll, describe, expect, it } from 'vitest';
import { nodeWorkshop } from '../../../node/workshop.ts';
import { built, recipeWith, stepOf } from '../../../test/evaluated.ts';
import { lessonObjects } from '../../document/lessonObjects/index.ts';
import { boundsOf, type SolidMesh } from '../../mesh/index.ts';
import type { Recipe, Step } from '../../recipe/index.ts';
import type { Workshop } from '../../solid/index.ts';
import { starters } from '../../starters/index.ts';
import { on } from '../../starters/places.ts';
import { quoted, real } from './entities.ts';
import { writeStep } from './index.ts';

/** An independent reader of the standard: a kernel of general computer-aided design. */
interface Reader {
  ReadStepFile(
    bytes: Uint8Array,
    options: Record<string, unknown>,
  ): {
    success: boolean;
    root: { name: string; children: { name: string }[] };
    meshes: {
      name: string;
      color?: number[];
      attributes: { position: { array: number[] } };
      index: { array: number[] };
      brep_faces: unknown[];
    }[];
  };
}

let workshop: Workshop;
let reader: Reader;
beforeAll(async () => {
  workshop = await nodeWorkshop();
  const start = createRequire(import.meta.url)('occt-import-js') as () => Promise<Reader>;
  reader = await start();
});

const about = { name: 'Kelbrin', at: new Date('2026-03-01T08:00:00Z') };
const written = (mesh: SolidMesh) => writeStep([{ mesh, name: 'part' }], about);
const countOf = (text: string, entity: string) => text.split(`=${entity}(`).length - 1;

/** What the reader makes of a file: its solids' volume, box and faces. */
function read(text: string, withinMm = 0.01) {
  const file = reader.ReadStepFile(new TextEncoder().encode(text), {
    linearUnit: 'millimeter',
    linearDeflectionType: 'absolute_value',
    linearDeflection: withinMm,
    angularDeflection: Math.max(0.04, withinMm * 20),
  });
  expect(file.success).toBe(true);
  let volumeMm3 = 0;
  const [min, max] = [
    [1e9, 1e9, 1e9],
    [-1e9, -1e9, -1e9],
  ];
  for (const { attributes, index } of file.meshes) {
    const { array } = attributes.position;
    for (let i = 0; i < index.array.length; i += 3) {
      const [a, b, c] = [0, 1, 2].map((k) => array.slice(3 * index.array[i + k], 3 * index.array[i + k] + 3));
      volumeMm3 +=
        (a[0] * (b[1] * c[2] - b[2] * c[1]) - a[1] * (b[0] * c[2] - b[2] * c[0]) + a[2] * (b[0] * c[1] - b[1] * c[0])) / 6; // oxfmt-ignore
    }
    array.forEach((value, i) => {
      min[i % 3] = Math.min(min[i % 3], value);
      max[i % 3] = Math.max(max[i % 3], value);
    });
  }
  return {
    ...file,
    volumeMm3,
    min,
    max,
    faces: file.meshes.reduce((sum, each) => sum + each.brep_faces.length, 0),
  };
}

const plate = (fields: Partial<Extract<Step, { kind: 'extrude' }>>) =>
  stepOf('extrude', 's1', undefined, { depth: { type: 'by', mm: 6 }, ...fields });
const square: Extract<Step, { kind: 'extrude' }>['outline'] = {
  shape: 'roundedRectangle',
  widthMm: 40,
  depthMm: 30,
  cornerMm: 0,
};

describe('the solid of a part in STEP', () => {
  const quarter = 1 - Math.PI / 4;
  it.each<[string, Step[], number, Record<string, number>]>([
    ['a block', [plate({ outline: square })], 40 * 30 * 6, { PLANE: 6, CYLINDRICAL_SURFACE: 0 }],
    [
      'a disc',
      [plate({ outline: { shape: 'circle', diameterMm: 25 } })],
      Math.PI * 12.5 ** 2 * 6,
      { PLANE: 2, CYLINDRICAL_SURFACE: 1 },
    ],
    [
      'a plate with a hole',
      [plate({ outline: square }), stepOf('hole', 's2', 's1', { size: { by: 'diameter', mm: 8 } })],
      40 * 30 * 6 - Math.PI * 16 * 6,
      { PLANE: 6, CYLINDRICAL_SURFACE: 1 },
    ],
    [
      'a plate with rounded corners',
      [plate({ outline: { ...square, cornerMm: 5 } as typeof square })],
      (40 * 30 - 4 * 25 * quarter) * 6,
      { PLANE: 6, CYLINDRICAL_SURFACE: 4 },
    ],
    [
      'a disc with a sloped edge',
      [plate({ outline: { shape: 'circle', diameterMm: 30 }, top: { finish: 'chamfer', mm: 2 } })],
      Math.PI * 15 ** 2 * 4 + (Math.PI * 2 * (15 ** 2 + 15 * 13 + 13 ** 2)) / 3,
      { PLANE: 2, CYLINDRICAL_SURFACE: 1, CONICAL_SURFACE: 1 },
    ],
    [
      'a disc with a rounded edge',
      [plate({ outline: { shape: 'circle', diameterMm: 30 }, top: { finish: 'fillet', mm: 2 } })],
      // Pappus: what is taken off is a square less a quarter of a circle, turned about the axis.
      Math.PI * 15 ** 2 * 6 - 2 * Math.PI * (4 * 14 - Math.PI * (13 + (4 * 2) / (3 * Math.PI))),
      { PLANE: 2, CYLINDRICAL_SURFACE: 1, TOROIDAL_SURFACE: 1 },
    ],
  ])('is what the independent reader makes of it: %s', (_, steps, volumeMm3, surfaces) => {
    // oxfmt-ignore
    const { mesh } = built(workshop, recipeWith(steps));
    const text = written(mesh);
    for (const [entity, count] of Object.entries(surfaces)) expect(countOf(text, entity), entity).toBe(count);
    const found = read(text, 0.001);
    expect(found.meshes).toHaveLength(1);
    expect(found.volumeMm3 / volumeMm3).toBeGreaterThan(0.9999);
    expect(found.volumeMm3 / volumeMm3).toBeLessThan(1.0001);
    expect(found.faces).toBeLessThan(16);
  });

  // Pieces of one cylinder are one surface.
  it.each([
    ['Seed-tray label', 5, 'the hole, four corners'],
    ['Cane clip', 6, 'the bore, the hole, two corners, the clip outside to both sides of the tab'],
    ['Dibber', 1, 'the shaft, which four grooves divide'],
    ['Pot foot', 14, 'the bore and its counterbore, six notches, the rim between them'],
    ['Hose hook', 14, 'two holes, four corners, four rounded edges, a fillet at each side of the arm'],
    ['Drip peg', 1, 'the round end of a drop'],
    ['Wind spinner', 2, 'the eyelet outside and inside'],
    [
      'Leaf badge',
      6,
      'two arcs of a heart, the eyelet outside in two pieces and inside, the tip of the leaf',
    ],
    ['Row token', 3, 'the rim, a ring outside, and inside as wide as the field'],
    [
      'Weed lifter',
      25,
      'a hole, four arcs of the outline, twelve ends of slots, eight rounded straight edges',
    ],
    ['Pot stamp', 1, 'the knob above and below its ring'],
    ['A bracket', 10, 'four holes, five outer corners, an inner one'],
    [
      'A tag like a cloud',
      15,
      'six arcs, the eyelet outside and inside, four inner corners, the long rounded edge, two bits of it along the inner corner that turns least',
    ],
    ['A box for seeds', 20, 'four corners outside and inside and of the pocket, eight rounded edges'],
    ['Five trial rings', 2, 'outside and inside'],
    ['A gauge for holes', 5, 'five holes'],
  ])('has a true cylinder for each hole and rounded corner: %s (%i)', (title, cylinders) => {
    const { recipe } = [...starters, ...lessonObjects].find((each) => each.title.startsWith(title))!;
    // Letters have arcs of their own.
    const steps = recipe.steps.map((step) =>
      step.kind === 'letters' || step.kind === 'colours' ? { ...step, off: true as const } : step,
    );
    expect(countOf(written(built(workshop, { ...recipe, steps }).mesh), 'CYLINDRICAL_SURFACE')).toBe(
      cylinders,
    );
  });

  // The sign for a bed, of four thousand facets, takes the reader as long as all others together.
  const objects = [...starters, ...lessonObjects].filter(({ title }) => title !== 'Bed sign');
  it.each(objects.map(({ title, recipe }) => [title, recipe] as const))(
    'has the volume and the box of the part: %s',
    (_, recipe: Recipe) => {
      const { mesh, volumeMm3 } = built(workshop, recipe);
      const { min, max } = boundsOf(mesh);
      const found = read(written(mesh), 0.02);
      expect(found.meshes).toHaveLength(1);
      expect(found.volumeMm3 / volumeMm3).toBeGreaterThan(0.999);
      expect(found.volumeMm3 / volumeMm3).toBeLessThan(1.001);
      for (const axis of [0, 1, 2]) {
        expect(Math.abs(found.min[axis] - min[axis])).toBeLessThan(0.03);
        expect(Math.abs(found.max[axis] - max[axis])).toBeLessThan(0.03);
      }
    },
  );

  it('is hollow where the part is, and of as many solids as there are bodies', () => {
    const cavity = stepOf('solid', 's2', 's1', { effect: 'cut', placement: on('s1', { z: { relation: 'centred' } }) } as never); // oxfmt-ignore
    const solid = built(
      workshop,
      recipeWith([plate({ outline: square, depth: { type: 'by', mm: 60 } }), cavity]),
    );
    const text = written(solid.mesh);
    expect(countOf(text, 'BREP_WITH_VOIDS')).toBe(1);
    expect(read(text).volumeMm3 / solid.volumeMm3).toBeCloseTo(1, 3);
    const apart = stepOf('extrude', 's2', 's1', { placement: on('s1', { x: { relation: 'beside', edge: 'high', overlapMm: -5 } }) } as never); // oxfmt-ignore
    const two = written(built(workshop, recipeWith([plate({ outline: square }), apart])).mesh);
    expect(countOf(two, 'MANIFOLD_SOLID_BREP')).toBe(2);
    expect(read(two).meshes).toHaveLength(2);
  });

  it('is refused for a mesh that is no solid', () => {
    const { mesh } = built(workshop, recipeWith([plate({ outline: square })]));
    expect(() => written({ ...mesh, triangles: mesh.triangles.slice(3) })).toThrow('not closed');
    const twice = Uint32Array.from([...mesh.triangles, ...mesh.triangles]);
    expect(() => written({ ...mesh, triangles: twice })).toThrow('share an edge');
  });

  it('carries names and colours, and several parts are an assembly', () => {
    const { mesh } = built(workshop, recipeWith([plate({ outline: square })]));
    const parts = [
      { mesh, name: 'Łucja’s label', colour: '#ff8000' },
      { mesh, name: 'Foot', at: [50, 0, 0] as const },
    ];
    const found = read(writeStep(parts, { ...about, name: 'Seed tray' }));
    expect(found.meshes.map(({ name }) => name)).toEqual(['Łucja’s label', 'Foot']);
    // The reader gives light itself, of which half a signal is a fifth.
    expect(found.meshes[0].color!.map((share) => Math.round(share * 100))).toEqual([100, 22, 0]);
    expect(found.root.children[0].name).toBe('Seed tray');
    expect(found.max[0]).toBeCloseTo(70, 3);
  });
});

it('numbers and words are written as the standard wants them', () => {
  expect([0, 1, -2.5, 1e-7, 1e21].map(real)).toEqual(['0.', '1.', '-2.5', '1.E-7', '1.E+21']);
  expect(quoted("it's a \\ “Ж”")).toBe("'it''s a \\\\ \\X2\\201C0416201D\\X0\\'");
});
