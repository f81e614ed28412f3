import { beforeAll, expect, it } from 'vitest';
import { nodeWorkshop } from '../../node/workshop.ts';
import { madeWith } from '../../test/solids.ts';
import type { Kernel } from '../solid/index.ts';
import { featureEdges } from './index.ts';

let kernel: Kernel;
beforeAll(async () => ({ kernel } = await nodeWorkshop()));

it('a box has its twelve edges, of their full length', () => {
  const ends = featureEdges(madeWith(kernel, ({ Manifold }) => Manifold.cube([10, 20, 30])));
  const lengths = Array.from({ length: ends.length / 6 }, (_, i) =>
    Math.hypot(...[0, 1, 2].map((k) => ends[6 * i + k] - ends[6 * i + 3 + k])),
  );
  expect(lengths.sort((a, b) => a - b)).toEqual([10, 10, 10, 10, 20, 20, 20, 20, 30, 30, 30, 30]);
});

it('a cylinder has the edges of its ends and none along its side, a ball has none', () => {
  const sides = 64;
  const cylinder = madeWith(kernel, ({ Manifold }) => Manifold.cylinder(10, 5, 5, sides));
  expect(featureEdges(cylinder).length / 6).toBe(2 * sides);
  expect(featureEdges(madeWith(kernel, ({ Manifold }) => Manifold.sphere(10, 64)))).toHaveLength(0);
});
