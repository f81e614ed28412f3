import { weld, type SolidMesh, type Vec3 } from '../src/mesh/index.ts';

/** A box with one corner at a place, its triangles written by hand. */
export function boxMesh(size: number | Vec3, [x, y, z]: Vec3 = [0, 0, 0]): SolidMesh {
  const [w, d, h] = typeof size === 'number' ? [size, size, size] : size;
  const quads = [[0, 2, 3, 1], [4, 5, 7, 6], [0, 1, 5, 4], [2, 6, 7, 3], [0, 4, 6, 2], [1, 3, 7, 5]]; // oxfmt-ignore
  const corner = (i: number) => [x + (i & 1 ? w : 0), y + (i & 2 ? d : 0), z + (i & 4 ? h : 0)];
  return weld(Float32Array.from(quads.flatMap(([a, b, c, d]) => [a, b, c, a, c, d].flatMap(corner))));
}

/** Several meshes as one, nothing of them joined. */
export function togetherOf(...meshes: readonly SolidMesh[]): SolidMesh {
  let vertices = 0;
  const triangles = meshes.flatMap((mesh) => {
    const own = [...mesh.triangles].map((vertex) => vertex + vertices);
    vertices += mesh.positions.length / 3;
    return own;
  });
  return {
    positions: Float32Array.from(meshes.flatMap(({ positions }) => [...positions])),
    triangles: Uint32Array.from(triangles),
  };
}

/** The mesh with every triangle facing the other way. */
export function turnedInsideOut({ positions, triangles }: SolidMesh): SolidMesh {
  return { positions, triangles: triangles.slice().reverse() };
}
