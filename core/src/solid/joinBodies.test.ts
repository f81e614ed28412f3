import { beforeAll, describe, expect, it } from 'vitest';
import { nodeWorkshop } from '../../node/workshop.ts';
import { boxMesh, togetherOf, turnedInsideOut } from '../../test/meshes.ts';
import { topologyOf, volumeOf } from '../mesh/index.ts';
import { joinedBodies, type Kernel } from './index.ts';

let kernel: Kernel;
beforeAll(async () => ({ kernel } = await nodeWorkshop()));

describe('bodies that meet', () => {
  it('are one where they pass through each other, of the volume of what is printed', () => {
    const { mesh, joined } = joinedBodies(kernel, togetherOf(boxMesh(10), boxMesh(10, [5, 5, 5])));
    expect(joined).toBe(1);
    expect(topologyOf(mesh)).toMatchObject({ bodies: 1, openEdges: 0 });
    expect(volumeOf(mesh)).toBeCloseTo(2000 - 125, 3);
  });

  it('are one where they lie against each other', () => {
    const { mesh, joined } = joinedBodies(kernel, togetherOf(boxMesh(10), boxMesh(4, [3, 3, 10])));
    expect(joined).toBe(1);
    expect(topologyOf(mesh).bodies).toBe(1);
    expect(volumeOf(mesh)).toBeCloseTo(1064, 3);
  });

  it('stay as they are where they do not, also if their boxes do', () => {
    const apart = togetherOf(boxMesh(10), boxMesh(10, [10.5, 0, 0]));
    expect(joinedBodies(kernel, apart)).toEqual({ mesh: apart, joined: 0 });
    // A ring of four beams around a block that none of them touches.
    const ring = togetherOf(
      boxMesh([20, 2, 2]),
      boxMesh([20, 2, 2], [0, 18, 0]),
      boxMesh([2, 20, 2]),
      boxMesh([2, 20, 2], [18, 0, 0]),
      boxMesh([6, 6, 2], [7, 7, 0]),
    );
    const { mesh, joined } = joinedBodies(kernel, ring);
    expect(joined).toBe(3);
    expect(topologyOf(mesh).bodies).toBe(2);
    expect(volumeOf(mesh)).toBeCloseTo(2 * (400 - 256) + 72, 3);
  });

  it('keep their hollows, as far as nothing fills them', () => {
    const hollow = togetherOf(boxMesh(10), turnedInsideOut(boxMesh(6, [2, 2, 2])));
    expect(joinedBodies(kernel, hollow).joined).toBe(0);
    const { mesh, joined } = joinedBodies(kernel, togetherOf(hollow, boxMesh([10, 4, 4], [5, 3, 3])));
    expect(joined).toBe(1);
    // 784 around the hollow; of the bar 2 mm lie in its wall, 3 in the hollow and 5 outside.
    expect(volumeOf(mesh)).toBeCloseTo(784 + 16 * 3 + 16 * 5, 3);
  });
});
