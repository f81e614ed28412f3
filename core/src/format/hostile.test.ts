import { strToU8, zipSync } from 'fflate';
import { describe, expect, it } from 'vitest';
import { readSolid, recipeInThreeMf, sentFile, type FileLimits } from './index.ts';

/*
 * Files that are made to be slow or to fill the memory. A reader that takes them up runs into the time limit of its test
 * or out of memory, so what counts here is that each one ends at all, in a sentence.
 */

const bytes = (words: string) => new TextEncoder().encode(words);
const small: FileLimits = { ...sentFile, triangles: 1000, corners: 1500, bodies: 20 };
const packed = (model: string, others: Record<string, Uint8Array> = {}) =>
  zipSync({ ...others, '3D/3dmodel.model': strToU8(model) });
const corner = '<vertex x="0" y="0" z="0"/>';
const inMesh = (inside: string) =>
  `<model><resources><object id="1"><mesh>${inside}</mesh></object></resources><build><item objectid="1"/></build></model>`;

describe('a file made to be slow', () => {
  it.each([
    ['blank lines and a letter', '\n'.repeat(4000) + 'x'],
    ['comments and a letter', '# a\n'.repeat(1000) + 'x'],
    ['words that all begin a corner', `solid ${'vertex '.repeat(100_000)}`],
    ['one word as long as the file', `solid ${'a'.repeat(1_000_000)}`],
    ['spaces after a corner', `solid vertex${' '.repeat(1_000_000)}`],
  ])('of %s is refused at once', (_, words) => {
    expect(() => readSolid(bytes(words), sentFile)).toThrow(/^the file/);
  });

  it('of triangles that all meet in one corner is read like any other', () => {
    const sides = 30_000;
    const rim = Array.from({ length: sides }, (_, i) => {
      const turn = (2 * Math.PI * i) / sides;
      return `v ${10 * Math.cos(turn)} ${10 * Math.sin(turn)} 0`;
    });
    const faces = rim.flatMap((_, i) => {
      const [here, there] = [i + 3, ((i + 1) % sides) + 3];
      return [`f 1 ${there} ${here}`, `f 2 ${here} ${there}`];
    });
    const cone = ['v 0 0 0', 'v 0 0 10', ...rim, ...faces].join('\n');
    expect(readSolid(bytes(cone), sentFile).triangles.length).toBe(6 * sides);
  });

  it('of triangles that all share one edge ends', () => {
    const tips = Array.from({ length: 50_000 }, (_, i) => `v ${Math.cos(i)} ${Math.sin(i)} ${(i % 10) / 10}`);
    const pages = tips.flatMap((_, i) => [`f 1 2 ${i + 3}`, `f 2 1 ${((i * 7) % tips.length) + 3}`]);
    const book = ['v 0 0 0', 'v 0 0 10', ...tips, ...pages].join('\n');
    expect(() => readSolid(bytes(book), { ...sentFile, bodies: 1e6 })).not.toThrow(/stack|memory/);
  });
});

describe('a file that holds too much', () => {
  it.each([
    ['corners in OBJ', bytes('v 0 0 0\n'.repeat(2000)), '1,500 corners'],
    ['faces in OBJ', bytes(`v 0 0 0\nv 1 0 0\nv 0 1 0\n${'f 1 2 3\n'.repeat(2000)}`), '1,000 triangles'],
    ['a polygon in OBJ', bytes(`v 0 0 0\nv 1 0 0\nv 0 1 0\nf ${'1 2 3 '.repeat(2000)}`), '1,000 triangles'],
    [
      'facets in ASCII STL',
      bytes(`solid\n${'facet\nvertex 0 0 0\nvertex 1 0 0\nvertex 0 1 0\nendfacet\n'.repeat(2000)}endsolid`),
      '1,000 triangles',
    ],
    ['corners in 3MF', packed(inMesh(`<vertices>${corner.repeat(2000)}</vertices>`)), '1,500 corners'],
    [
      'triangles in 3MF',
      packed(
        inMesh(
          `<vertices>${corner}</vertices><triangles>${'<triangle v1="0" v2="0" v3="0"/>'.repeat(2000)}</triangles>`,
        ),
      ),
      '1,000 triangles',
    ],
    ['other elements in 3MF', packed(`<model>${'<a/>'.repeat(200_000)}</model>`), 'too many elements'],
    ['depth in 3MF', packed('<model>'.repeat(1000)), '64 deep'],
    [
      'attributes in 3MF',
      packed(`<model ${Array.from({ length: 100 }, (_, i) => `a${i}="" `).join('')}/>`),
      '64 attributes',
    ],
    ['what it unpacks to', packed(`<model><!--${' '.repeat(29_000_000)}--></model>`), 'more than 28 MB'],
    [
      'files in a package',
      packed('', Object.fromEntries(Array.from({ length: 300 }, (_, i) => [`a${i}`, strToU8('a')]))),
      '200 files',
    ],
    [
      'a list of contents',
      packed('', { '_rels/.rels': strToU8(`<Relationships>${' '.repeat(200_000)}</Relationships>`) }),
      'too large',
    ],
  ])('is refused for %s', (_, file, words) => {
    expect(() => readSolid(file, small)).toThrow(words);
  });

  it('is refused for objects that hold each other many times over', () => {
    const holds = (id: number) =>
      `<object id="${id}"><components>${`<component objectid="${id + 1}"/>`.repeat(10)}</components></object>`;
    const objects = Array.from({ length: 15 }, (_, i) => holds(i + 1)).join('');
    const model = `<model><resources>${objects}<object id="16"/></resources><build><item objectid="1"/></build></model>`;
    expect(() => readSolid(packed(model), sentFile)).toThrow('10,000 objects');
  });

  it('is refused for pieces that do not touch', () => {
    const four = (i: number) =>
      `v ${3 * i} 0 0\nv ${3 * i + 1} 0 0\nv ${3 * i} 1 0\nv ${3 * i} 0 1\nf -4 -2 -3\nf -4 -3 -1\nf -3 -2 -1\nf -4 -1 -2\n`;
    const crowd = Array.from({ length: 40 }, (_, i) => four(i)).join('');
    expect(() => readSolid(bytes(crowd), small)).toThrow('40 pieces that do not touch, more than 20');
  });

  it('is refused for bytes beyond what may be sent', () => {
    expect(() => readSolid(new Uint8Array(20_000_001), sentFile)).toThrow('larger than 20 MB');
  });

  it('is refused for a recipe beyond what a design may be', () => {
    const file = packed('', { 'Metadata/kelbrin-recipe.json': strToU8(' '.repeat(600_000)) });
    expect(() => recipeInThreeMf(file)).toThrow('too large');
  });
});
