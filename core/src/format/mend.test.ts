import { describe, expect, it } from 'vitest';
import { topologyOf, volumeOf, weld, type SolidMesh, type Vec3 } from '../mesh/index.ts';
import { mend } from './mend.ts';

/** A box of so many mm, its triangles counter-clockwise from outside. */
function box(size: number, [x, y, z]: Vec3 = [0, 0, 0]): SolidMesh {
  const quads = [[0, 2, 3, 1], [4, 5, 7, 6], [0, 1, 5, 4], [2, 6, 7, 3], [0, 4, 6, 2], [1, 3, 7, 5]]; // prettier-ignore
  const corner = (i: number) => [x + (i & 1 ? size : 0), y + (i & 2 ? size : 0), z + (i & 4 ? size : 0)];
  return weld(Float32Array.from(quads.flatMap(([a, b, c, d]) => [a, b, c, a, c, d].flatMap(corner))));
}
const withTriangles = (mesh: SolidMesh, change: (triangles: number[]) => number[]): SolidMesh => ({
  ...mesh,
  triangles: Uint32Array.from(change([...mesh.triangles])),
});
/** The mesh with some of its triangles turned about. */
const turned = (mesh: SolidMesh, isTurned: (face: number) => boolean) =>
  withTriangles(mesh, (t) =>
    t.map((_, i) => (isTurned(Math.floor(i / 3)) && i % 3 > 0 ? t[i % 3 === 1 ? i + 1 : i - 1] : t[i])),
  );
/** Both meshes as one. */
function both(a: SolidMesh, b: SolidMesh): SolidMesh {
  const shift = a.positions.length / 3;
  return {
    positions: Float32Array.from([...a.positions, ...b.positions]),
    triangles: Uint32Array.from([...a.triangles, ...[...b.triangles].map((vertex) => vertex + shift)]),
  };
}

describe('mending a surface', () => {
  it('leaves a sound one as it is', () => {
    const sound = box(10);
    expect(mend(sound)).toEqual({ mesh: sound, mended: [] });
  });

  it.each<[string, SolidMesh, string]>([
    [
      'a triangle that is there twice',
      withTriangles(box(10), (t) => [...t, ...t.slice(0, 3)]),
      'there twice',
    ],
    [
      'triangles that face the wrong way',
      turned(box(10), (face) => face === 2 || face === 7),
      '2 triangles that faced the wrong way',
    ],
    ['a missing triangle', withTriangles(box(10), (t) => t.slice(3)), 'A small hole'],
    ['a missing side', withTriangles(box(10), (t) => t.slice(6)), 'A small hole'],
    ['a surface that is inside out', turned(box(10), () => true), 'faced inwards'],
  ])('mends %s, and says so', (_, broken, words) => {
    const { mesh, mended } = mend(broken);
    expect(topologyOf(mesh).openEdges).toBe(0);
    expect(volumeOf(mesh)).toBeCloseTo(1000, 6);
    expect(mended).toHaveLength(1);
    expect(mended[0]).toContain(words);
  });

  it('turns the one of several bodies about that is inside out, and leaves a hollow one', () => {
    const apart = both(
      box(10),
      turned(box(4, [20, 0, 0]), () => true),
    );
    expect(volumeOf(mend(both(box(10), box(4, [20, 0, 0]))).mesh)).toBeCloseTo(1064, 6);
    const hollow = both(
      box(10),
      turned(box(4, [3, 3, 3]), () => true),
    );
    expect(mend(hollow).mended).toEqual([]);
    expect(volumeOf(mend(hollow).mesh)).toBeCloseTo(936, 6);
    expect(volumeOf(mend(apart).mesh)).toBeCloseTo(1064, 6);
  });

  it('refuses what is missing too much, and says where', () => {
    const torn = weld(
      Float32Array.from(
        Array.from({ length: 20 }, (_, i) => {
          const at = (k: number) => [10 * Math.cos((k * Math.PI) / 10), 10 * Math.sin((k * Math.PI) / 10), 0];
          return [...at(i), ...at(i + 1), 0, 0, 5];
        }).flat(),
      ),
    );
    expect(() => mend(torn)).toThrow(
      /does not close: \d+ edges have a triangle on one side only, one of them at/,
    );
  });
});
