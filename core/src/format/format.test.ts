import fc from 'fast-check';
import { strFromU8, unzipSync, zipSync, strToU8 } from 'fflate';
import { XMLParser } from 'fast-xml-parser';
import { beforeAll, describe, expect, it } from 'vitest';
import { anyRecipe } from '../../test/anyRecipe.ts';
import { label } from '../../test/recipes.ts';
import { madeWith } from '../../test/solids.ts';
import { nodeWorkshop } from '../../node/workshop.ts';
import { boundsOf, topologyOf, volumeOf, type SolidMesh } from '../mesh/index.ts';
import { evaluate, type Workshop } from '../solid/index.ts';
import {
  FormatError,
  readAndMend,
  readSolid,
  readStl,
  readThreeMf,
  writeStl,
  writeThreeMf,
} from './index.ts';

let workshop: Workshop;
let part: SolidMesh;
beforeAll(async () => {
  workshop = await nodeWorkshop();
  const result = evaluate(label(), workshop);
  if (!result.ok) throw new Error(result.problem.message);
  part = result.mesh;
});

describe.each([
  ['STL', (mesh: SolidMesh) => writeStl(mesh), readStl],
  ['3MF', (mesh: SolidMesh) => writeThreeMf(mesh, { title: 'Label' }), readThreeMf],
])('%s', (_, write, read) => {
  it('reads back closed and of the same volume, for any recipe', () => {
    fc.assert(
      fc.property(anyRecipe, (recipe) => {
        const result = evaluate(recipe, workshop);
        fc.pre(result.ok && result.mesh.triangles.length > 0);
        if (!result.ok) return;
        const back = read(write(result.mesh));
        expect(topologyOf(back).openEdges).toBe(0);
        expect(Math.abs(volumeOf(back) / volumeOf(result.mesh) - 1)).toBeLessThan(1e-4);
      }),
      { numRuns: 25 },
    );
  });

  it('is the same, byte for byte, for the same part', () => {
    expect(write(part)).toEqual(write(part));
  });

  it('refuses a file that is cut short, wherever', () => {
    const bytes = write(part);
    for (const share of [0, 0.001, 0.01, 0.3, 0.7, 0.99]) {
      expect(() => readSolid(bytes.slice(0, Math.floor(bytes.length * share)))).toThrow(FormatError);
    }
  });
});

describe('STL', () => {
  const ascii = (name: string) => `solid ${name}
facet normal 0 0 0\nouter loop\nvertex 0 0 0\nvertex 0 10 0\nvertex 10 0 0\nendloop\nendfacet
facet normal 0 0 0\nouter loop\nvertex 0 0 0\nvertex 10 0 0\nvertex 0 0 10\nendloop\nendfacet
facet normal 0 0 0\nouter loop\nvertex 0 0 0\nvertex 0 0 10\nvertex 0 10 0\nendloop\nendfacet
facet normal 0 0 0\nouter loop\nvertex 10 0 0\nvertex 0 1e1 0\nvertex 0 0 10.0\nendloop\nendfacet
endsolid ${name}\n`;
  const bytes = (words: string) => new TextEncoder().encode(words);

  it('reads the ASCII form', () => {
    expect(volumeOf(readSolid(bytes(ascii('corner'))))).toBeCloseTo(1000 / 6, 6);
  });

  it('reads the ASCII form in capitals', () => {
    expect(volumeOf(readSolid(bytes(ascii('corner').toUpperCase())))).toBeCloseTo(1000 / 6, 6);
  });

  it('reads a binary file whose header begins with the word of the ASCII form', () => {
    const binary = writeStl(part);
    binary.set(bytes('solid made elsewhere'));
    expect(volumeOf(readSolid(binary))).toBeCloseTo(volumeOf(part), 1);
  });

  it('turns a solid that is inside out', () => {
    const turned = ascii('t').replace(/vertex (.*)\nvertex (.*)\nend/g, 'vertex $2\nvertex $1\nend');
    expect(volumeOf(readSolid(bytes(turned)))).toBeCloseTo(1000 / 6, 6);
  });

  it('joins corners that rounding has parted', () => {
    const parted = ascii('t').replace('vertex 10 0 0', 'vertex 10.0002 0 0');
    expect(topologyOf(readSolid(bytes(parted))).openEdges).toBe(0);
  });

  it.each([
    ['empty', new Uint8Array(0), 'empty'],
    ['cut short', bytes(ascii('t').slice(0, 300)), 'lacks its closing “endsolid”'],
    ['random', Uint8Array.from({ length: 500 }, (_, i) => (i * 7919 + 13) % 251), 'triangles'],
    ['too short', Uint8Array.from([1, 2, 3]), 'too short'],
    ['short of a corner', bytes(ascii('t').replace('vertex 10 0 0\n', '')), 'three corners'],
    ['without triangles', bytes('solid nothing\nendsolid nothing\n'), 'no triangles'],
    [
      'with a corner that is no number',
      bytes(ascii('t').replace('vertex 10 0 0', 'vertex ten 0 0')),
      'not a number',
    ],
    ['open', bytes(ascii('t').replace(/facet(.|\n)*?endfacet\n/, '')), 'does not close'],
  ])('refuses a file that is %s', (_, content, words) => {
    expect(() => readSolid(content)).toThrow(words);
  });

  it('passes over a few bytes after the last triangle, and a missing end', () => {
    const sound = writeStl(part);
    const padded = new Uint8Array(sound.length + 2);
    padded.set(sound);
    const read = readAndMend(padded);
    expect(volumeOf(read.mesh)).toBeCloseTo(volumeOf(part), 3);
    expect(read.mended).toEqual(['2 bytes after the last triangle were passed over.']);
    const endless = readAndMend(bytes(ascii('t').replace(/endsolid.*/, '')));
    expect(topologyOf(endless.mesh).openEdges).toBe(0);
    expect(endless.mended).toEqual([
      expect.stringMatching(/^The file lacks its closing “endsolid”; \d+ triangles were read.$/),
    ]);
  });

  it('refuses a file that lies about its length', () => {
    const lying = writeStl(part);
    new DataView(lying.buffer).setUint32(80, 5_000_000, true);
    expect(() => readSolid(lying)).toThrow('says it holds 5000000 triangles');
    new DataView(lying.buffer).setUint32(80, 1, true);
    expect(() => readSolid(lying)).toThrow('says it holds 1 triangles');
  });
});

describe('3MF', () => {
  const modelOf = (file: Uint8Array) => strFromU8(unzipSync(file)['3D/3dmodel.model']);
  const withModel = (xml: string) =>
    zipSync({ ...unzipSync(writeThreeMf(part, { title: 't' })), '3D/3dmodel.model': strToU8(xml) });

  it('has the structure of the core specification', () => {
    const files = unzipSync(writeThreeMf(part, { title: 'A & B <label>' }));
    const parser = new XMLParser({ ignoreAttributes: false, attributeNamePrefix: '' });
    const types = parser.parse(strFromU8(files['[Content_Types].xml'])).Types.Default as {
      Extension: string;
      ContentType: string;
    }[];
    expect(types).toContainEqual({
      Extension: 'rels',
      ContentType: 'application/vnd.openxmlformats-package.relationships+xml',
    });
    expect(types).toContainEqual({
      Extension: 'model',
      ContentType: 'application/vnd.ms-package.3dmanufacturing-3dmodel+xml',
    });
    const relation = parser.parse(strFromU8(files['_rels/.rels'])).Relationships.Relationship as Record<
      string,
      string
    >;
    expect(relation.Type).toBe('http://schemas.microsoft.com/3dmanufacturing/2013/01/3dmodel');
    expect(files[relation.Target.slice(1)]).toBeDefined();

    const { model } = parser.parse(modelOf(writeThreeMf(part, { title: 'A & B <label>' })));
    expect(model).toMatchObject({
      unit: 'millimeter',
      xmlns: 'http://schemas.microsoft.com/3dmanufacturing/core/2015/02',
    });
    // The schema has metadata, resources and build in this order.
    expect(
      Object.keys(model as object).filter((key) => ['metadata', 'resources', 'build'].includes(key)),
    ).toEqual(['metadata', 'resources', 'build']);
    const { object } = model.resources;
    expect(object).toMatchObject({ id: '1', type: 'model', name: 'A & B <label>' });
    expect(model.build.item).toEqual({ objectid: '1' });
    const vertices = object.mesh.vertices.vertex as { x: string; y: string; z: string }[];
    const triangles = object.mesh.triangles.triangle as { v1: string; v2: string; v3: string }[];
    expect(vertices.length).toBeGreaterThanOrEqual(3);
    expect(triangles.length).toBeGreaterThanOrEqual(4);
    for (const { x, y, z } of vertices)
      for (const n of [x, y, z]) expect(Number.isFinite(Number(n))).toBe(true);
    for (const { v1, v2, v3 } of triangles) {
      expect(new Set([v1, v2, v3]).size).toBe(3);
      expect(Math.max(Number(v1), Number(v2), Number(v3))).toBeLessThan(vertices.length);
    }
  });

  it('is read in its unit, with transforms and components applied', () => {
    const cube = madeWith(workshop.kernel, ({ Manifold }) => Manifold.cube([1, 1, 1]));
    const xml = modelOf(writeThreeMf(cube, { title: 't' }))
      .replace('unit="millimeter"', 'unit="inch"')
      .replace(
        '</object>',
        '</object><object id="2"><components><component objectid="1" transform="2 0 0 0 1 0 0 0 1 0 0 0"/></components></object>',
      )
      .replace('<item objectid="1"/>', '<item objectid="2" transform="1 0 0 0 1 0 0 0 1 10 0 0"/>');
    const { min, max } = boundsOf(readSolid(withModel(xml)));
    expect([...min, ...max]).toEqual(
      [254, 0, 0, 12 * 25.4, 25.4, 25.4].map((value) => expect.closeTo(value, 3)),
    );
  });

  it.each([
    ['a model that is no XML', '<model><broken', 'well-formed'],
    ['no build', '<model unit="millimeter"><resources/></model>', 'not as the format has it'],
    [
      'an object that is not there',
      '<model><resources/><build><item objectid="7"/></build></model>',
      'object 7',
    ],
    [
      'a loop of objects',
      '<model><resources><object id="1"><components><component objectid="1"/></components></object></resources><build><item objectid="1"/></build></model>',
      'contain each other',
    ],
    ['nothing to build', '<model><resources/><build/></model>', 'builds nothing'],
    [
      'a corner that does not exist',
      '<model><resources><object id="1"><mesh><vertices><vertex x="0" y="0" z="0"/></vertices><triangles><triangle v1="0" v2="1" v3="2"/></triangles></mesh></object></resources><build><item objectid="1"/></build></model>',
      'does not exist',
    ],
  ])('is refused with %s', (_, xml, words) => {
    expect(() => readSolid(withModel(xml))).toThrow(words);
  });
});

it('refuses random bytes whatever they are', () => {
  fc.assert(
    fc.property(fc.uint8Array({ maxLength: 300 }), (bytes) => {
      expect(() => readSolid(bytes)).toThrow(FormatError);
    }),
  );
});
