import { beforeAll, expect, it } from 'vitest';
import { nodeWorkshop } from '../../node/workshop.ts';
import { built, recipeWith, stepOf } from '../../test/evaluated.ts';
import type { Workshop } from '../solid/index.ts';
import { edgeRunOf, featureEdges, type EdgeRun, type SolidMesh, type Vec3 } from './index.ts';

let workshop: Workshop;
beforeAll(async () => {
  workshop = await nodeWorkshop();
});

/** The edge with a piece whose middle is nearest to a place. */
function edgeNear(mesh: SolidMesh, place: Vec3): EdgeRun {
  const edges = featureEdges(mesh);
  let [nearest, leastMm] = [0, Infinity];
  for (let piece = 0; piece < edges.length / 6; piece++) {
    const middle = [0, 1, 2].map((i) => (edges[6 * piece + i] + edges[6 * piece + 3 + i]) / 2);
    const mm = Math.hypot(...middle.map((each, i) => each - place[i]));
    if (mm < leastMm) [nearest, leastMm] = [piece, mm];
  }
  return edgeRunOf(edges, nearest);
}

it('takes the sides of a plate for straight, its rounded corners for arcs and the rim of a hole for a circle', () => {
  const plate = stepOf('extrude', 's1', undefined, {
    outline: { shape: 'roundedRectangle', widthMm: 60, depthMm: 30, cornerMm: 4 },
    depth: { type: 'by', mm: 3 },
  });
  const hole = stepOf('hole', 's2', 's1', {
    size: { by: 'diameter', mm: 5 },
    placement: {
      on: { step: 's1' },
      x: { relation: 'inFrom', edge: 'low', mm: 8 },
      y: { relation: 'centred', mm: 0 },
      z: { relation: 'inFrom', edge: 'high', mm: 0 },
    },
  });
  const { mesh, steps } = built(workshop, recipeWith([plate, hole]));
  const { min, max } = steps[0].box;

  const front = edgeNear(mesh, [(min[0] + max[0]) / 2, min[1], max[2]]);
  if (front.kind !== 'straight') throw new Error('The front edge is straight.');
  expect([front.from[0], front.to[0]].sort((a, b) => a - b)).toEqual([min[0] + 4, max[0] - 4]);

  const corner = edgeNear(mesh, [min[0] + 4 - 4 * Math.SQRT1_2, min[1] + 4 - 4 * Math.SQRT1_2, max[2]]);
  if (corner.kind !== 'round') throw new Error('The corner is an arc.');
  expect(corner.radiusMm).toBeCloseTo(4, 2);
  expect(corner.isWhole).toBe(false);
  corner.middle.forEach((mm, i) => expect(mm).toBeCloseTo([min[0] + 4, min[1] + 4, max[2]][i], 2));
  // From the end of one side to the beginning of the next.
  const [first, last] = [corner.points[0], corner.points.at(-1)!];
  expect(Math.hypot(first[0] - last[0], first[1] - last[1])).toBeCloseTo(4 * Math.SQRT2, 2);

  const middle: Vec3 = [steps[1].box.min[0] + 2.5, (min[1] + max[1]) / 2, max[2]];
  const rim = edgeNear(mesh, [middle[0] + 2.5, middle[1], middle[2]]);
  if (rim.kind !== 'round') throw new Error('The rim is a circle.');
  expect(rim.isWhole).toBe(true);
  expect(rim.radiusMm).toBeCloseTo(2.5, 2);
  rim.middle.forEach((mm, i) => expect(mm).toBeCloseTo(middle[i], 2));
});

it.each([3, 6, 12])('takes the sides of a polygon of %i for straight', (sides) => {
  const prism = stepOf('extrude', 's1', undefined, {
    outline: { shape: 'polygon', sides, across: 'corners', acrossMm: 20 },
    depth: { type: 'by', mm: 3 },
  });
  const edges = featureEdges(built(workshop, recipeWith([prism])).mesh);
  const runs = Array.from({ length: edges.length / 6 }, (_, piece) => edgeRunOf(edges, piece));
  expect(runs.every(({ kind }) => kind === 'straight')).toBe(true);
});
