import fc from 'fast-check';
import { PerspectiveCamera } from 'three';
import { expect, it } from 'vitest';
import { posed, scale, turn, combined, shift, type Vec3 } from '@kelbrin/core/mesh';
import { Outlook } from './outlook.ts';

function outlookFrom(eye: Vec3): Outlook {
  const camera = new PerspectiveCamera(32, 600 / 400, 1, 4000);
  camera.up.set(0, 0, 1);
  camera.position.set(...eye);
  camera.lookAt(0, 0, 5);
  camera.updateMatrixWorld();
  return Outlook.of(camera, 600, 400);
}

const mm = fc.double({ min: -60, max: 60, noNaN: true });

it('a place lies on the line of sight through the pixel at which it is seen', () => {
  fc.assert(
    fc.property(mm, mm, mm, (x, y, z) => {
      const outlook = outlookFrom([90, -220, 140]);
      const { from, way } = outlook.sightAt(outlook.pxOf([x, y, z])!);
      const long = Math.hypot(...way);
      const to = [x - from[0], y - from[1], z - from[2]];
      const along = (to[0] * way[0] + to[1] * way[1] + to[2] * way[2]) / long;
      expect(Math.sqrt(Math.max(0, to[0] ** 2 + to[1] ** 2 + to[2] ** 2 - along ** 2))).toBeLessThan(0.01);
    }),
  );
});

it('the middle of what is looked at is in the middle, what is to the right is to the right, and what is behind is not seen', () => {
  const outlook = outlookFrom([0, -200, 5]);
  expect(outlook.pxOf([0, 0, 5])).toEqual([expect.closeTo(300, 6), expect.closeTo(200, 6)]);
  expect(outlook.pxOf([10, 0, 5])![0]).toBeGreaterThan(300);
  expect(outlook.pxOf([0, 0, 15])![1]).toBeLessThan(200);
  expect(outlook.pxOf([0, -300, 5])).toBeUndefined();
});

it('a space that a pose turns, scales and moves is seen where the pose puts it', () => {
  const outlook = outlookFrom([90, -220, 140]);
  const pose = combined(shift([3, 4, 5]), turn('x', 90), scale(0.5));
  const place: Vec3 = [12, -8, 20];
  const [seen, meant] = [outlook.through(pose).pxOf(place)!, outlook.pxOf(posed(pose, place))!];
  expect(seen[0]).toBeCloseTo(meant[0], 6);
  expect(seen[1]).toBeCloseTo(meant[1], 6);
  expect(outlook.through(pose).pxPerMm(place)).toBeLessThan(outlook.pxPerMm(posed(pose, place)));
  expect(outlook.equals(outlookFrom([90, -220, 140]))).toBe(true);
  expect(outlook.equals(outlookFrom([91, -220, 140]))).toBe(false);
});
