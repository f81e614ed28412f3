import { unzipSync } from 'fflate';
import { beforeAll, describe, expect, it } from 'vitest';
import { nodeWorkshop } from '../../node/workshop.ts';
import { built } from '../../test/evaluated.ts';
import { label } from '../../test/recipes.ts';
import { topologyOf, volumeOf, type SolidMesh } from '../mesh/index.ts';
import { regionAreaOf, type Point, type Region } from '../plane/index.ts';
import { parseRecipe } from '../recipe/index.ts';
import { RegionMath, simplified, type Workshop } from '../solid/index.ts';
import {
  fileName,
  readObj,
  readSolid,
  readStl,
  readSvg,
  recipeInThreeMf,
  writeAsciiStl,
  writeObj,
  writeSvg,
  writeThreeMf,
} from './index.ts';

let workshop: Workshop;
let mesh: SolidMesh;
beforeAll(async () => {
  workshop = await nodeWorkshop();
  ({ mesh } = built(workshop, label()));
});

const svg = (inside: string, head = 'width="40mm" viewBox="0 0 40 40"') =>
  `<svg xmlns="http://www.w3.org/2000/svg" ${head}>${inside}</svg>`;
/** The area that a drawing encloses in its own units, worked out by the kernel. */
function areaOf(source: string): number {
  const { outlines } = readSvg(source);
  const region: Region = outlines.map((flat) =>
    Array.from({ length: flat.length / 2 }, (_, i): Point => [flat[2 * i], flat[2 * i + 1]]),
  );
  return regionAreaOf(new RegionMath(workshop.kernel).joined([region]));
}

describe('reading SVG', () => {
  it.each([
    ['a rectangle', '<rect x="2" y="3" width="20" height="10"/>', 200],
    ['a rounded rectangle', '<rect width="20" height="10" rx="2"/>', 200 - (4 - Math.PI) * 4],
    ['a circle', '<circle cx="9" cy="9" r="5"/>', Math.PI * 25],
    ['an ellipse', '<ellipse rx="6" ry="3"/>', Math.PI * 18],
    ['a polygon', '<polygon points="0,0 10,0 10,10"/>', 50],
    ['an open line, which filling closes', '<polyline points="0 0 10 0 10 10"/>', 50],
    ['a path with curves and arcs', '<path d="M0 0h10a5 5 0 0 1 0 10H0z"/>', 100 + (Math.PI * 25) / 2],
    ['a path with relative short forms', '<path d="m0,0 l10,0 0,10 -10,0z m2,2 v6 h6 v-6z"/>', 100 - 36],
    ['an even–odd opening', '<path fill-rule="evenodd" d="M0 0H10V10H0zM2 2H8V8H2z"/>', 64],
    ['overlapping shapes', '<rect width="10" height="10"/><rect x="5" width="10" height="10"/>', 150],
    [
      'nested groups with transformations',
      '<g transform="scale(2)"><g transform="translate(3 1) rotate(30)"><rect width="5" height="2"/></g></g>',
      40,
    ],
    [
      'what is filled and not what is only drawn',
      '<rect width="10" height="10"/><circle r="30" fill="none" stroke="black"/>',
      100,
    ],
    ['shapes and not definitions', '<defs><circle id="c" r="30"/></defs><rect width="10" height="10"/>', 100],
  ])('encloses the area of %s', (_, inside, area) => {
    expect(areaOf(svg(inside)) / area).toBeCloseTo(1, 2);
  });

  it('knows how wide the drawing is by the file’s own units', () => {
    const square = '<rect width="20" height="10"/>';
    expect(readSvg(svg(square)).widthMm).toBeCloseTo(20, 2);
    expect(readSvg(svg(square, 'width="2in" viewBox="0 0 40 40"')).widthMm).toBeCloseTo(25.4, 2);
    expect(readSvg(svg(square, '')).widthMm).toBeCloseTo((20 * 25.4) / 96, 2);
  });

  it('stands upright: what is at the foot of the page is at the foot of the outline', () => {
    const { outlines } = readSvg(svg('<polygon points="0,10 10,10 5,0"/>'));
    const top = outlines[0].filter((_, i) => i % 2 === 1).indexOf(0);
    expect(outlines[0][2 * top]).toBe(5);
  });

  it.each([
    ['no XML', 'hello'],
    ['another kind of XML', '<html><body/></html>'],
    ['nothing filled', svg('<text>words</text><line x2="4"/>')],
    ['a broken path', svg('<path d="M0 0 L x y"/>')],
    [
      'a bomb of entities',
      `<!DOCTYPE svg [<!ENTITY a "aaaa"><!ENTITY b "&a;&a;">]>${svg('<text>&b;</text>')}`,
    ],
    ['a script and nothing else', svg('<script>alert(1)</script>')],
  ])('refuses %s in a sentence', (_, source) => {
    expect(() => readSvg(source)).toThrow(/^the (file|drawing)/);
  });

  it('reads what it wrote', () => {
    const region: Region = [[[0, 0], [30, 0], [30, 20], [0, 20]], [[5, 5], [5, 15], [15, 15], [15, 5]]]; // prettier-ignore
    const source = writeSvg(region, 'A & B');
    expect(source).toContain('<title>A &amp; B</title>');
    expect(areaOf(source)).toBeCloseTo(500, 2);
    expect(readSvg(source).widthMm).toBeCloseTo(30, 2);
  });
});

describe('files of a part', () => {
  it('as OBJ and ASCII STL read back to the same closed solid', () => {
    for (const again of [
      readObj(writeObj(mesh, 'Label\nv 1')),
      readStl(new TextEncoder().encode(writeAsciiStl(mesh))),
    ]) {
      expect(topologyOf(again).openEdges).toBe(0);
      expect(volumeOf(again) / volumeOf(mesh)).toBeCloseTo(1, 4);
    }
    expect(readSolid(new TextEncoder().encode(writeObj(mesh, 'Label'))).triangles.length).toBe(
      mesh.triangles.length,
    );
  });

  it('say what is wrong with an OBJ file, and where', () => {
    expect(() => readObj('v 0 0 0\nf 1 2 3')).toThrow('line 2');
    expect(() => readObj('v 0 a 0')).toThrow('line 1');
    expect(() => readObj('# nothing')).toThrow('no faces');
  });

  it('as 3MF carry title, author, colour and the recipe itself', () => {
    const recipe = label('Ä & B');
    const bytes = writeThreeMf(mesh, {
      title: 'Label',
      author: 'Asha <8>',
      colour: '#3f8f5f',
      recipe: JSON.stringify(recipe),
    });
    expect(parseRecipe(JSON.parse(recipeInThreeMf(bytes)!))).toEqual({ ok: true, recipe });
    const model = new TextDecoder().decode(unzipSync(bytes)['3D/3dmodel.model']);
    expect(model).toContain('<metadata name="Designer">Asha &lt;8&gt;</metadata>');
    expect(model).toContain('displaycolor="#3F8F5FFF"');
    expect(recipeInThreeMf(writeThreeMf(mesh, { title: 'Label' }))).toBeUndefined();
    expect(volumeOf(readSolid(bytes)) / volumeOf(mesh)).toBeCloseTo(1, 6);
  });

  it('are smaller when they are coarser, and still closed and nearly the same', () => {
    const [normal, coarse] = [
      simplified(workshop.kernel, mesh, 'normal'),
      simplified(workshop.kernel, mesh, 'coarse'),
    ];
    expect(normal.triangles.length).toBeLessThan(mesh.triangles.length);
    expect(coarse.triangles.length).toBeLessThan(normal.triangles.length);
    for (const each of [normal, coarse]) {
      expect(topologyOf(each).openEdges).toBe(0);
      expect(volumeOf(each) / volumeOf(mesh)).toBeCloseTo(1, 2);
    }
  });

  it('are called by the pattern, in letters that every card takes', () => {
    const parts = { brief: 'Seed-tray labels', student: 'Zoë', part: 'Größe / 2', n: 3 };
    expect(fileName('{brief}_{student}_{part}_v{n}', parts)).toBe('Seed-tray-labels_Zoe_Grosse-2_v3');
    expect(fileName('{unknown}', parts)).toBe('unknown');
    expect(fileName('../..//', parts)).toBe('part');
    expect(fileName('{brief}', { ...parts, brief: 'x'.repeat(500) })).toHaveLength(120);
  });
});
