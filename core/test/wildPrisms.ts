import earcut from 'earcut';
import { setDown, weld, type SolidMesh, type Vec3 } from '../src/mesh/index.ts';
import type { Outline, Point, Region } from '../src/plane/index.ts';

/* Meshes of flat sides made by other means than the kernel: prisms, stacks of blocks, and what is put together of them. */

/** A region with openings, counter-clockwise around material, pulled up from one height to another. */
export function prism(region: Region, topMm: number, bottomMm = 0): SolidMesh {
  const corners: number[] = [];
  const add = (...points: readonly Vec3[]) => points.forEach((point) => corners.push(...point));
  for (const outline of region) {
    outline.forEach(([bx, by], i) => {
      const [ax, ay] = outline.at(i - 1)!;
      add([ax, ay, bottomMm], [bx, by, bottomMm], [bx, by, topMm]);
      add([ax, ay, bottomMm], [bx, by, topMm], [ax, ay, topMm]);
    });
  }
  const points = region.flat();
  const openings = region.slice(1).map((_, i) => region.slice(0, i + 1).flat().length);
  const triangles = earcut(points.flat(), openings);
  for (let i = 0; i < triangles.length; i += 3) {
    const [a, b, c] = [0, 1, 2].map((k) => points[triangles[i + k]]);
    const isLeft = (b[0] - a[0]) * (c[1] - a[1]) - (b[1] - a[1]) * (c[0] - a[0]) > 0;
    const [p, q, r] = isLeft ? [a, b, c] : [a, c, b];
    add([...p, topMm], [...q, topMm], [...r, topMm], [...p, bottomMm], [...r, bottomMm], [...q, bottomMm]);
  }
  return weld(Float32Array.from(corners));
}

/** A rectangle by two of its corners. */
export const rectangle = (x0: number, y0: number, x1: number, y1: number): Outline => [[x0, y0], [x1, y0], [x1, y1], [x0, y1]]; // oxfmt-ignore

/** A polygon of equal sides around a place, its corners on a circle; the other way round it is an opening. */
export const polygon = (sides: number, radiusMm: number, [x, y]: Point = [0, 0], turnDeg = 0): Outline =>
  Array.from({ length: sides }, (_, i) => {
    const angle = (2 * Math.PI * i) / sides + (turnDeg * Math.PI) / 180;
    return [x + radiusMm * Math.cos(angle), y + radiusMm * Math.sin(angle)];
  });

/** The outline of an opening. */
export const opening = (outline: Outline): Outline => outline.toReversed();

/** A prism laid on its side: what was its outline is seen from the front, and what was its height reaches to the back. */
export const laid = (region: Region, lengthMm: number): SolidMesh => {
  const { positions: p, triangles } = prism(region, lengthMm);
  return setDown({
    positions: p.map((_, i) => (i % 3 === 0 ? p[i] : i % 3 === 1 ? -p[i + 1] : p[i - 1])),
    triangles,
  });
};

/** What is said of each of the small cubes of a grid, as one surface: stairs in every direction. */
export function blocks(
  isSolid: (x: number, y: number, z: number) => boolean,
  counts: readonly [number, number, number],
  sidesMm: readonly [number, number, number],
): SolidMesh {
  const corners: number[] = [];
  const [nx, ny, nz] = counts;
  const has = (i: number, j: number, k: number) =>
    i >= 0 && j >= 0 && k >= 0 && i < nx && j < ny && k < nz &&
    isSolid((i + 0.5) * sidesMm[0], (j + 0.5) * sidesMm[1], (k + 0.5) * sidesMm[2]); // oxfmt-ignore
  const face = (at: readonly number[], axis: number, isFar: boolean) => {
    const [u, v] = [(axis + 1) % 3, (axis + 2) % 3];
    const corner = (du: number, dv: number): Vec3 =>
      [0, 1, 2].map((a) => {
        const step = a === axis ? Number(isFar) : a === u ? du : a === v ? dv : 0;
        return (at[a] + step) * sidesMm[a];
      }) as unknown as Vec3;
    const [a, b, c, d] = [corner(0, 0), corner(1, 0), corner(1, 1), corner(0, 1)];
    const ring = isFar ? [a, b, c, a, c, d] : [a, c, b, a, d, c];
    ring.forEach((point) => corners.push(...point));
  };
  for (let i = 0; i < nx; i++)
    for (let j = 0; j < ny; j++)
      for (let k = 0; k < nz; k++) {
        if (!has(i, j, k)) continue;
        for (const axis of [0, 1, 2]) {
          for (const isFar of [false, true]) {
            const by = [0, 1, 2].map((a) => (a === axis ? (isFar ? 1 : -1) : 0));
            if (!has(i + by[0], j + by[1], k + by[2])) face([i, j, k], axis, isFar);
          }
        }
      }
  return weld(Float32Array.from(corners));
}

/** Several surfaces in one mesh, as they are. */
export function together(...meshes: readonly SolidMesh[]): SolidMesh {
  let before = 0;
  const triangles = meshes.flatMap((mesh) => {
    const moved = Array.from(mesh.triangles, (corner) => corner + before);
    before += mesh.positions.length / 3;
    return moved;
  });
  return {
    positions: Float32Array.from(meshes.flatMap(({ positions }) => [...positions])),
    triangles: Uint32Array.from(triangles),
  };
}

/** A mesh moved. */
export const moved = ({ positions, triangles }: SolidMesh, by: Vec3): SolidMesh => ({
  positions: positions.map((mm, i) => mm + by[i % 3]),
  triangles,
});

/** A mesh turned about the y axis and set down. */
export function tilted({ positions: p, triangles }: SolidMesh, deg: number): SolidMesh {
  const [c, s] = [Math.cos((deg * Math.PI) / 180), Math.sin((deg * Math.PI) / 180)];
  const positions = p.map((mm, i) =>
    i % 3 === 0 ? c * mm + s * p[i + 2] : i % 3 === 1 ? mm : c * mm - s * p[i - 2],
  );
  return setDown({ positions, triangles });
}
