import fc from 'fast-check';
import { beforeAll, describe, expect, it } from 'vitest';
import { nodeWorkshop } from '../../node/workshop.ts';
import { madeWith, plateWithHole } from '../../test/solids.ts';
import { SurfaceTree, type SolidMesh } from '../mesh/index.ts';
import type { Point } from '../plane/index.ts';
import type { Kernel } from '../solid/index.ts';
import { facetsOf, recognised } from '../surfaces/index.ts';
import { joinedLines } from './joinedLines.ts';
import { seenEdges, type LookOptions } from './seenEdges.ts';
import { views, type ViewName } from './views.ts';

let kernel: Kernel;
beforeAll(async () => ({ kernel } = await nodeWorkshop()));

function lookedAt(mesh: SolidMesh, view: ViewName, options: Partial<LookOptions> = {}) {
  const facets = facetsOf(mesh);
  const looked = {
    facets,
    curved: recognised(facets),
    tree: new SurfaceTree(mesh),
    letters: new Set<number>(),
  };
  return joinedLines(seenEdges(looked, views[view], { stepMm: 0.2, ...options }));
}

const total = (ways: readonly (readonly Point[])[]) =>
  ways.reduce(
    (sum, way) =>
      sum + way.slice(1).reduce((mm, [x, y], i) => mm + Math.hypot(x - way[i][0], y - way[i][1]), 0),
    0,
  );

/** A box by its lowest corner and its size, in whole millimetres. */
type Block = readonly [at: readonly [number, number, number], size: readonly [number, number, number]];
const ROOM = 9;
const block: fc.Arbitrary<Block> = fc.tuple(
  fc.tuple(fc.nat(5), fc.nat(5), fc.nat(5)),
  fc.tuple(fc.integer({ min: 1, max: 4 }), fc.integer({ min: 1, max: 4 }), fc.integer({ min: 1, max: 4 })),
);

describe('the lines of a view', () => {
  it('are seen where the depth changes from one place to the next', () => {
    // Whole millimetres, so that the depth of each place can be counted by hand.
    const looks = [
      { view: 'front', right: 0, up: 2, away: 1, sign: 1 },
      { view: 'top', right: 0, up: 1, away: 2, sign: -1 },
    ] as const;
    fc.assert(
      fc.property(fc.array(block, { minLength: 1, maxLength: 4 }), (blocks) => {
        const mesh = madeWith(kernel, ({ Manifold }) =>
          Manifold.union(blocks.map(([at, size]) => Manifold.cube([...size]).translate([...at]))),
        );
        for (const { view, right, up, away, sign } of looks) {
          const depth = (x: number, y: number) =>
            Math.min(
              ...blocks
                .filter(
                  ([at, size]) =>
                    x >= at[right] && x < at[right] + size[right] && y >= at[up] && y < at[up] + size[up],
                )
                .map(([at, size]) => sign * (sign > 0 ? at[away] : at[away] + size[away])),
            );
          let edges = 0;
          for (let x = -1; x <= ROOM; x++) {
            for (let y = -1; y <= ROOM; y++) {
              if (depth(x, y) !== depth(x + 1, y)) edges++;
              if (depth(x, y) !== depth(x, y + 1)) edges++;
            }
          }
          expect(total(lookedAt(mesh, view).seen)).toBeCloseTo(edges, 1);
        }
      }),
      { numRuns: 40 },
    );
  });

  it('are hidden for a hole that is seen from beside, and seen where it is cut open', () => {
    const mesh = plateWithHole(kernel, 8);
    const { seen, hidden } = lookedAt(mesh, 'front');
    const [, , high] = [0, 1, 2].map((axis) => Math.max(...mesh.positions.filter((_, i) => i % 3 === axis)));
    expect(hidden).toHaveLength(2);
    expect(total(hidden)).toBeCloseTo(2 * high, 3);
    // The outline of the plate alone.
    expect(seen).toHaveLength(1);
    const opened = lookedAt(mesh, 'front', { onlySeen: true, beyondMm: 0 });
    expect(opened.hidden).toEqual([]);
    // The walls of the hole that the plane cuts are lines of the section itself; what is seen behind is its rims.
    expect(total(opened.seen)).toBeGreaterThan(total(seen) / 2);
  });

  it('are the outline of what is round, and none of the facets that it is built of', () => {
    const mesh = madeWith(kernel, ({ Manifold }) => Manifold.cylinder(12, 5, 5, 96, true));
    const { seen, hidden } = lookedAt(mesh, 'front');
    expect(hidden).toEqual([]);
    expect(seen).toHaveLength(1);
    expect(total(seen)).toBeCloseTo(2 * (12 + 10), 1);
    expect(total(lookedAt(mesh, 'top').seen)).toBeCloseTo(2 * Math.PI * 5, 1);
  });
});
