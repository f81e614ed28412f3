import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  areaOf,
  boundsOf,
  setDown,
  topologyOf,
  translated,
  volumeOf,
  weld,
  type SolidMesh,
} from './index.ts';

/** Corners of a box, nine numbers a triangle, as a file without shared vertices has them. */
function boxCorners(x: number, y: number, z: number, at: [number, number, number] = [0, 0, 0]): number[] {
  const quads = [
    [0, 2, 3, 1],
    [4, 5, 7, 6],
    [0, 1, 5, 4],
    [2, 6, 7, 3],
    [0, 4, 6, 2],
    [1, 3, 7, 5],
  ];
  const corner = (i: number) => [at[0] + (i & 1 ? x : 0), at[1] + (i & 2 ? y : 0), at[2] + (i & 4 ? z : 0)];
  return quads.flatMap(([a, b, c, d]) => [a, b, c, a, c, d].flatMap(corner));
}

const box = (x: number, y: number, z: number, at?: [number, number, number]) =>
  weld(Float32Array.from(boxCorners(x, y, z, at)));

describe('measuring', () => {
  it('knows the volume, area and bounds of a box, wherever it is', () => {
    fc.assert(
      fc.property(
        fc.tuple(
          fc.integer({ min: 1, max: 50 }),
          fc.integer({ min: 1, max: 50 }),
          fc.integer({ min: 1, max: 50 }),
        ),
        fc.tuple(fc.integer({ min: -500, max: 500 }), fc.integer(), fc.integer({ min: -9, max: 9 })),
        ([x, y, z], [ax, , az]) => {
          const mesh = box(x, y, z, [ax, ax, az]);
          expect(volumeOf(mesh)).toBeCloseTo(x * y * z, 6);
          expect(areaOf(mesh)).toBeCloseTo(2 * (x * y + y * z + z * x), 6);
          expect(boundsOf(mesh)).toEqual({ min: [ax, ax, az], max: [ax + x, ax + y, az + z] });
        },
      ),
    );
  });

  it('has no volume, area or size for nothing', () => {
    const nothing: SolidMesh = { positions: new Float32Array(0), triangles: new Uint32Array(0) };
    expect([volumeOf(nothing), areaOf(nothing)]).toEqual([0, 0]);
    expect(boundsOf(nothing)).toEqual({ min: [0, 0, 0], max: [0, 0, 0] });
  });

  it('sets a part down, from above and from below the plate', () => {
    for (const z of [-7, 0, 12]) expect(boundsOf(setDown(box(1, 2, 3, [4, 5, z]))).min).toEqual([4, 5, 0]);
  });
});

describe('welding', () => {
  it('joins equal corners, also +0 and −0, and no others', () => {
    const mesh = box(1, 2, 3);
    expect(mesh.positions).toHaveLength(8 * 3);
    const signed = boxCorners(1, 2, 3).map((value, i) => (value === 0 && i % 2 ? -0 : value));
    expect(weld(Float32Array.from(signed)).positions).toHaveLength(8 * 3);
  });

  it('finds every vertex again however many there are, shared or not', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: -40, max: 40 }), { minLength: 9, maxLength: 3000 }),
        (values) => {
          const corners = Float32Array.from(values.slice(0, values.length - (values.length % 9)));
          const { positions, triangles } = weld(corners);
          const distinct = new Set<string>();
          for (let i = 0; i < corners.length; i += 3) distinct.add(corners.slice(i, i + 3).join());
          expect(positions.length / 3).toBe(distinct.size);
          for (const vertex of triangles) expect(vertex).toBeLessThan(distinct.size);
        },
      ),
    );
  });

  it('drops triangles that have no size', () => {
    expect(weld(Float32Array.from([0, 0, 0, 1, 0, 0, 1, 0, 0])).triangles).toHaveLength(0);
  });
});

describe('topology', () => {
  it('counts bodies and finds the edges where a surface is open', () => {
    const two = weld(Float32Array.from([...boxCorners(1, 1, 1), ...boxCorners(1, 1, 1, [5, 0, 0])]));
    expect(topologyOf(two)).toMatchObject({ bodies: 2, openEdges: 0 });
    const open = { ...two, triangles: two.triangles.slice(3) };
    expect(topologyOf(open)).toMatchObject({ bodies: 2, openEdges: 3 });
  });

  it('takes two boxes that touch along an edge for closed, and for two', () => {
    const touching = weld(Float32Array.from([...boxCorners(1, 1, 1), ...boxCorners(1, 1, 1, [1, 1, 0])]));
    expect(topologyOf(touching)).toMatchObject({ openEdges: 0, bodies: 2 });
    const turned = weld(
      Float32Array.from([...boxCorners(1, 1, 1, [1, 0, 0]), ...boxCorners(1, 1, 1, [0, 1, 0])]),
    );
    expect(topologyOf(turned)).toMatchObject({ openEdges: 0, bodies: 2 });
  });

  it('is the same wherever the mesh is moved', () => {
    const moved = translated(box(2, 2, 2), [10, -3, 4]);
    expect(topologyOf(moved)).toEqual(topologyOf(box(2, 2, 2)));
  });
});
