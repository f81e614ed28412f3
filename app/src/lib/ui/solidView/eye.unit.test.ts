// @vitest-environment node
import { expect, it, vi } from 'vitest';
import type { Box, Vec3 } from '@kelbrin/core/mesh';
import { Eye } from './eye.ts';
import { Outlook } from './outlook.ts';

/** An element that only takes listeners, as a view gives it to what turns it. */
const element = () =>
  Object.assign(new EventTarget(), {
    style: {},
    ownerDocument: new EventTarget(),
    getRootNode: () => new EventTarget(),
    clientHeight: 400,
    setPointerCapture: vi.fn(),
    releasePointerCapture: vi.fn(),
  }) as unknown as HTMLElement;

const box: Box = { min: [-40, -15, 0], max: [40, 15, 4] };

function outlookOf(eye: Eye): Outlook {
  eye.camera.aspect = 1.5;
  eye.camera.updateProjectionMatrix();
  eye.camera.updateMatrixWorld();
  return Outlook.of(eye.camera, 600, 400);
}

it('without perspective what is as long looks as long, near and far, and all stays as large', () => {
  const eye = new Eye(element());
  eye.stand(eye.standpointFor({ name: 'Front', turns: 0 }, box, 1.5)!);
  const widthAt = (y: number) => {
    const outlook = outlookOf(eye);
    const [a, b] = [[-40, y, 0], [40, y, 0]].map((place) => outlook.pxOf(place as unknown as Vec3)!);
    return b[0] - a[0];
  }; // oxfmt-ignore
  const [nearWide, middleWide, farWide] = [-15, 0, 15].map(widthAt);
  expect(nearWide / farWide).toBeGreaterThan(1.1);
  eye.open(true);
  const [near, middle, far] = [-15, 0, 15].map(widthAt);
  expect(near / far).toBeCloseTo(1, 1);
  expect(middle).toBeCloseTo(middleWide, 0);
  eye.open(false);
  expect(widthAt(0)).toBeCloseTo(middleWide, 3);
  expect(nearWide).toBeGreaterThan(near);
});

it('goes back over the views before, and stays where it is once there is none', () => {
  const eye = new Eye(element());
  const at = () => eye.camera.position.toArray().map((mm) => Math.round(mm));
  eye.stand(eye.standpointFor({ name: 'Top', turns: 0 }, box, 1.5)!);
  const top = at();
  eye.stand(eye.standpointFor({ name: 'Front', turns: 1 }, box, 1.5)!);
  const front = at();
  eye.stand(eye.standpointFor({ name: 'Side', turns: 2 }, box, 1.5)!);
  for (const before of [front, top]) {
    eye.stand(eye.standpointFor({ last: true, turns: 3 }, box, 1.5)!, true);
    expect(at()).toEqual(before);
  }
  expect(eye.standpointFor({ last: true, turns: 5 }, box, 1.5)).toBeUndefined();
});

it('sees all from where it looks', () => {
  const eye = new Eye(element());
  eye.stand(eye.standpointFor({ from: [1, -2, 1], turns: 0 }, box, 1.5)!);
  const [x, y, z] = eye.from;
  const large: Box = { min: [-100, -60, 0], max: [100, 60, 30] };
  eye.stand(eye.standpointFor({ here: true, turns: 1 }, large, 1.5)!);
  const now = eye.from;
  expect(now[0] / now[1]).toBeCloseTo(x / y, 6);
  expect(now[2] / now[1]).toBeCloseTo(z / y, 6);
  const outlook = outlookOf(eye);
  for (const cx of [-100, 100])
    for (const cy of [-60, 60]) {
      const [px, py] = outlook.pxOf([cx, cy, 0])!;
      expect(px).toBeGreaterThan(0);
      expect(px).toBeLessThan(600);
      expect(py).toBeGreaterThan(0);
      expect(py).toBeLessThan(400);
    }
});

it('sees whole what it saw whole, after the view became narrow', () => {
  const eye = new Eye(element());
  eye.stand(eye.standpointFor({ name: 'Corner', turns: 0 }, box, 1.67)!);
  eye.reframe(1.67, 0.7);
  eye.camera.aspect = 0.7;
  eye.camera.updateProjectionMatrix();
  eye.camera.updateMatrixWorld();
  const outlook = Outlook.of(eye.camera, 350, 500);
  for (const x of [-40, 40]) {
    const [px] = outlook.pxOf([x, 0, 2])!;
    expect(px).toBeGreaterThan(0);
    expect(px).toBeLessThan(350);
  }
});
