import { unzipSync, zipSync } from 'fflate';
import { beforeAll, describe, expect, it } from 'vitest';
import { nodeWorkshop } from '../../node/workshop.ts';
import { built } from '../../test/evaluated.ts';
import { label } from '../../test/recipes.ts';
import { selfCrossings, SurfaceTree, topologyOf, volumeOf, type SolidMesh } from '../mesh/index.ts';
import { parseRecipe } from '../recipe/index.ts';
import { simplified, type Workshop } from '../solid/index.ts';
import {
  fileName,
  readObj,
  readSolid,
  readStl,
  recipeInThreeMf,
  writeAsciiStl,
  writeObj,
  writeThreeMf,
} from './index.ts';

let workshop: Workshop;
let mesh: SolidMesh;
beforeAll(async () => {
  workshop = await nodeWorkshop();
  ({ mesh } = built(workshop, label()));
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

  it('as OBJ may have faces with hollow corners, from any side, and lines that go on', () => {
    // The outline of a star; a fan from its first corner would reach outside.
    const star = Array.from({ length: 10 }, (_, i) => {
      const [r, turn] = [i % 2 ? 4 : 10, ((i + 1) * Math.PI) / 5];
      return [r * Math.cos(turn), r * Math.sin(turn)];
    });
    const area = star.reduce((sum, [x, y], i) => sum + (x * star[(i + 1) % 10][1] - y * star[(i + 1) % 10][0]) / 2, 0); // oxfmt-ignore
    for (const upright of [
      [0, 1, 2],
      [1, 2, 0],
      [2, 0, 1],
    ]) {
      const corners = [0, 5].flatMap((z) => star.map(([x, y]) => upright.map((k) => [x, y, z][k])));
      const top = star.map((_, i) => 11 + i);
      const bottom = star.map((_, i) => 10 - i);
      const sides = star.map((_, i) => [1 + i, 1 + ((i + 1) % 10), 11 + ((i + 1) % 10), 11 + i]);
      const faces = [top, bottom, ...sides].map((face) => {
        const words = ['f', ...face];
        return `${words.slice(0, 3).join(' ')} \\\n${words.slice(3).join(' ')}`;
      });
      const text = [...corners.map((at) => `v ${at.join(' ')}`), ...faces].join('\n');
      const again = readSolid(new TextEncoder().encode(text));
      expect(topologyOf(again)).toMatchObject({ openEdges: 0, bodies: 1 });
      expect(volumeOf(again)).toBeCloseTo(5 * area, 2);
      expect(selfCrossings(again, new SurfaceTree(again), 1)).toEqual([]);
    }
    expect(() => readObj('v 0 0 0\nv 1 \\\r\n0 \\\n0\nf 1 2 3')).toThrow('line 5');
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
    // Packages of before kept it elsewhere.
    const { 'Kelbrin/recipe.json': kept, ...others } = unzipSync(bytes);
    const before = zipSync({ ...others, 'Metadata/kelbrin-recipe.json': kept });
    expect(recipeInThreeMf(before)).toBe(recipeInThreeMf(bytes));
    const model = new TextDecoder().decode(unzipSync(bytes)['3D/3dmodel.model']);
    expect(model).toContain('<metadata name="Designer">Asha &lt;8&gt;</metadata>');
    expect(model).toContain('displaycolor="#3F8F5FFF"');
    expect(recipeInThreeMf(writeThreeMf(mesh, { title: 'Label' }))).toBeUndefined();
    const wished = [
      { fromMm: 0, colour: 'leafGreen' as const },
      { fromMm: 2.6, colour: 'chalkWhite' as const },
    ];
    const coloured = unzipSync(writeThreeMf(mesh, { title: 'Label', colour: '#000000', colours: wished }));
    const materials = new TextDecoder().decode(coloured['3D/3dmodel.model']);
    expect(materials).toContain('<base name="leafGreen from 0 mm" displaycolor="#3F8F5FFF"/><base name="chalkWhite from 2.6 mm" displaycolor="#F2F0E8FF"/>'); // oxfmt-ignore
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
