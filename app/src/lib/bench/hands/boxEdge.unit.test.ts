import { PerspectiveCamera } from 'three';
import { expect, it } from 'vitest';
import type { Box, Vec3 } from '@kelbrin/core/mesh';
import { Outlook } from '../../ui/solidView/outlook.ts';
import { outerEdge } from './boxEdge.ts';

function outlookFrom(eye: Vec3): Outlook {
  const camera = new PerspectiveCamera(32, 1.5, 1, 4000);
  camera.up.set(0, 0, 1);
  camera.position.set(...eye);
  camera.lookAt(0, 0, 5);
  camera.updateMatrixWorld();
  return Outlook.of(camera, 600, 400);
}

const box: Box = { min: [-20, -10, 0], max: [20, 10, 8] };

it.each<[string, Vec3]>([
  ['from the right front', [120, -200, 120]],
  ['from the left front', [-120, -200, 120]],
  ['from behind', [60, 220, 90]],
  ['from below', [80, -160, -140]],
])('sizes are written beside the box, whichever way it is seen: %s', (_, eye) => {
  const outlook = outlookFrom(eye);
  for (const axis of ['x', 'y', 'z'] as const) {
    const edge = outerEdge(box, axis, outlook)!;
    const [low, high] = edge.px;
    const [dx, dy] = [high[0] - low[0], high[1] - low[1]];
    // All corners of the box lie on one side of the edge, and that is not the side where the figure is.
    for (const corner of cornersOf(box)) {
      const [x, y] = outlook.pxOf(corner)!;
      const right = (dx * (y - low[1]) - dy * (x - low[0])) / Math.hypot(dx, dy);
      expect(right * edge.outwards).toBeGreaterThan(-1e-6);
    }
    const i = 'xyz'.indexOf(axis);
    expect(edge.ends.map((place) => place[i])).toEqual([box.min[i], box.max[i]]);
  }
});

it('of a box seen straight from the front the width stands below it', () => {
  const edge = outerEdge(box, 'x', outlookFrom([0, -300, 4]))!;
  expect(edge.ends[0][2]).toBe(0);
});

function cornersOf({ min, max }: Box): Vec3[] {
  return [min[0], max[0]].flatMap((x) =>
    [min[1], max[1]].flatMap((y) => [min[2], max[2]].map((z): Vec3 => [x, y, z])),
  );
}
