import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { boundsOf, onlyFaces, selfCrossings, SurfaceTree, weld, type Vec3 } from './index.ts';

/** A box's triangles as a flat list of corners. */
function boxCorners([x, y, z]: Vec3, size: number): number[] {
  const quads = [[0, 2, 3, 1], [4, 5, 7, 6], [0, 1, 5, 4], [2, 6, 7, 3], [0, 4, 6, 2], [1, 3, 7, 5]]; // oxfmt-ignore
  const corner = (i: number) => [x + (i & 1 ? size : 0), y + (i & 2 ? size : 0), z + (i & 4 ? size : 0)];
  return quads.flatMap(([a, b, c, d]) => [a, b, c, a, c, d].flatMap(corner));
}
const boxes = (...all: [Vec3, number][]) =>
  weld(Float32Array.from(all.flatMap(([at, size]) => boxCorners(at, size))));

const whole = fc.integer({ min: -20, max: 20 });
const place = fc.tuple(whole, whole, whole);

describe('a tree of a surface', () => {
  it('finds what a ray along an axis meets first, whatever lies around', () => {
    const some = fc.array(fc.tuple(place, fc.integer({ min: 1, max: 9 })), { minLength: 1, maxLength: 30 });
    fc.assert(
      fc.property(some, place, (all, [x, y, z]) => {
        // Off the boxes' own grid, so that the ray passes each box well inside its outline or well outside.
        const from: Vec3 = [x + 0.2, y + 0.37, z + 0.61];
        const hit = new SurfaceTree(boxes(...all)).firstHit(from, [1, 0, 0], [0, 1000]);
        const ahead = all
          .filter(([[, by, bz], size]) => y >= by && y < by + size && z >= bz && z < bz + size)
          .flatMap(([[bx], size]) => [bx - from[0], bx + size - from[0]])
          .filter((mm) => mm > 0);
        if (ahead.length === 0) expect(hit).toBeUndefined();
        else expect(hit?.mm).toBeCloseTo(Math.min(...ahead), 4);
      }),
    );
  });

  it('knows the corner that is furthest along a way', () => {
    const some = fc.array(fc.tuple(place, fc.integer({ min: 1, max: 9 })), { minLength: 1, maxLength: 30 });
    const part = fc.double({ min: -1, max: 1, noNaN: true });
    fc.assert(
      fc.property(some, part, part, part, (all, x, y, z) => {
        const mesh = boxes(...all);
        const along = (corner: number) =>
          x * mesh.positions[corner] + y * mesh.positions[corner + 1] + z * mesh.positions[corner + 2];
        const reached = Array.from(mesh.triangles, (corner) => along(3 * corner));
        expect(along(new SurfaceTree(mesh).furthest([x, y, z]))).toBeCloseTo(Math.max(...reached), 4);
      }),
    );
  });

  it('passes through what it is told to', () => {
    const tree = new SurfaceTree(boxes([[0, 0, 0], 2]));
    const first = tree.firstHit([-1, 0.7, 0.4], [1, 0, 0], [0, 10])!;
    expect(first.mm).toBeCloseTo(1, 6);
    expect(tree.firstHit([-1, 0.7, 0.4], [1, 0, 0], [0, 10], (face) => face === first.face)?.mm).toBeCloseTo(
      3,
      6,
    );
    expect(tree.firstHit([-1, 0.7, 0.4], [1, 0, 0], [1.5, 2.5])).toBeUndefined();
  });
});

describe('a tree asked for what is in a box', () => {
  it('says of wanted faces just what looking at all of them says', () => {
    const some = fc.array(fc.tuple(place, fc.integer({ min: 1, max: 9 })), { minLength: 1, maxLength: 12 });
    fc.assert(
      fc.property(some, place, place, fc.integer({ min: 1, max: 40 }), (all, a, b, every) => {
        const mesh = boxes(...all);
        const [min, max] = [Math.min, Math.max].map((of): Vec3 => [
          of(a[0], b[0]),
          of(a[1], b[1]),
          of(a[2], b[2]),
        ]);
        const isIn = (face: number) => {
          const own = boundsOf(onlyFaces(mesh, [face]));
          return [0, 1, 2].every((i) => own.min[i] <= max[i] && own.max[i] >= min[i]);
        };
        const isWanted = (face: number) => face % every === 0;
        const faces = Array.from({ length: mesh.triangles.length / 3 }, (_, face) => face);
        expect(new SurfaceTree(mesh).hasFaceIn({ min, max }, isWanted)).toBe(
          faces.some((face) => isIn(face) && isWanted(face)),
        );
      }),
    );
  });
});

describe('groups of triangles that meet', () => {
  it('bring every two triangles whose boxes meet together, and none twice', () => {
    const some = fc.array(fc.tuple(place, fc.integer({ min: 1, max: 9 })), { minLength: 1, maxLength: 12 });
    fc.assert(
      fc.property(some, (all) => {
        const mesh = boxes(...all);
        const faces = mesh.triangles.length / 3;
        const met = new Map<number, number>();
        new SurfaceTree(mesh).eachMeeting(0, (group, others) => {
          for (const a of group) {
            for (const b of others) {
              if (group === others && b < a) continue;
              const key = Math.min(a, b) * faces + Math.max(a, b);
              met.set(key, (met.get(key) ?? 0) + 1);
            }
          }
        });
        expect([...met.values()].every((times) => times === 1)).toBe(true);
        const reach = (face: number, axis: number) =>
          [0, 1, 2].map((k) => mesh.positions[3 * mesh.triangles[3 * face + k] + axis]);
        for (let a = 0; a < faces; a++) {
          for (let b = a; b < faces; b++) {
            const meet = [0, 1, 2].every(
              (axis) =>
                Math.min(...reach(a, axis)) <= Math.max(...reach(b, axis)) &&
                Math.min(...reach(b, axis)) <= Math.max(...reach(a, axis)),
            );
            if (meet) expect(met.has(a * faces + b)).toBe(true);
          }
        }
      }),
      { numRuns: 20 },
    );
  });
});

describe('a surface that passes through itself', () => {
  const crossings = (...all: [Vec3, number][]) => {
    const mesh = boxes(...all);
    return selfCrossings(mesh, new SurfaceTree(mesh), 100);
  };

  it('is found where two boxes do, and told where', () => {
    const found = crossings([[0, 0, 0], 2], [[1, 0.5, 0.7], 2]);
    expect(found.length).toBeGreaterThan(0);
    for (const { at } of found)
      expect(at.every((value, axis) => value >= [0, 0, 0][axis] && value <= 3)).toBe(true);
  });

  it('is none where boxes touch along a side or a part of it, lie apart, or one holds another', () => {
    expect(crossings([[0, 0, 0], 2], [[2, 0, 0], 2])).toEqual([]);
    expect(crossings([[0, 0, 0], 2], [[2, 0.5, 0.3], 2])).toEqual([]);
    expect(crossings([[0, 0, 0], 2], [[5, 0, 0], 2])).toEqual([]);
    expect(crossings([[0, 0, 0], 6], [[2, 2, 2], 1])).toEqual([]);
  });
});
