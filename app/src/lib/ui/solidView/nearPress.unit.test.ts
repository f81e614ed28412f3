import { BufferGeometry, PerspectiveCamera, Vector3 } from 'three';
import { describe, expect, it } from 'vitest';
import { cornerNear, edgeNear, endNear, type Press } from './nearPress';

/** A view of 400 × 400 px from 100 mm above, the x axis to the right; near the middle a mm is 4 px and a little more. */
function pressed(clientX: number, clientY: number): Press {
  const camera = new PerspectiveCamera(53.13, 1, 1, 1000);
  camera.position.set(0, 0, 100);
  camera.lookAt(0, 0, 0);
  camera.updateMatrixWorld();
  return { camera, box: { left: 0, top: 0, width: 400, height: 400 } as DOMRect, at: { clientX, clientY } };
}
const [front, back] = [-10, 10].map((y) => ({ points: [[-30, y, 0], [30, y, 0]] as const })); // oxfmt-ignore

describe('a press beside edges', () => {
  it('means the nearest, anywhere along it', () => {
    expect(edgeNear(pressed(200, 235), [front, back], 100)).toBe(0);
    expect(edgeNear(pressed(280, 168), [front, back], 103)).toBe(1);
  });

  it('means none in the middle between them, nor past their ends', () => {
    expect(edgeNear(pressed(200, 200), [front, back], 100)).toBeUndefined();
    expect(edgeNear(pressed(350, 240), [front, back], 100)).toBeUndefined();
  });

  it('means none that lies behind what was pressed, and any where nothing was', () => {
    expect(edgeNear(pressed(200, 240), [front], 90)).toBeUndefined();
    expect(edgeNear(pressed(200, 240), [front], 100)).toBe(0);
    expect(edgeNear(pressed(200, 240), [front], undefined)).toBe(0);
  });
});

it('a press beside a corner means that corner', () => {
  const corners = [new Vector3(0, 0, 0), new Vector3(20, 0, 0)];
  expect(cornerNear(pressed(205, 203), corners)).toBe(corners[0]);
  expect(cornerNear(pressed(240, 200), corners)).toBeUndefined();
});

it('an edge against the background is measured from beside the part as well, and nothing far from it', () => {
  const edges = Float32Array.of(-30, -10, 0, 30, -10, 0);
  const beside = endNear(pressed(200, 248), undefined, new BufferGeometry(), edges);
  expect(beside?.edge).toEqual({ kind: 'straight', from: [-30, -10, 0], to: [30, -10, 0] });
  expect(endNear(pressed(200, 300), undefined, new BufferGeometry(), edges)).toBeUndefined();
  expect(endNear(pressed(200, 248), undefined, new BufferGeometry(), undefined)).toBeUndefined();
});
