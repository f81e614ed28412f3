import { boundsOf, type Box, type SolidMesh } from '../mesh/index.ts';

/** Boxes that are further apart than this cannot touch, mm. */
const APART_MM = 1e-3;

/** Meshes put together into few, each of bodies that lie apart from each other: few are brought to a part sooner than many. */
export function putTogether(meshes: readonly SolidMesh[]): SolidMesh[] {
  const groups: { readonly meshes: SolidMesh[]; readonly boxes: Box[] }[] = [];
  for (const mesh of meshes) {
    const box = boundsOf(mesh);
    const group = groups.find(({ boxes }) => boxes.every((other) => isApart(box, other)));
    if (group) {
      group.meshes.push(mesh);
      group.boxes.push(box);
    } else groups.push({ meshes: [mesh], boxes: [box] });
  }
  return groups.map((group) => joined(group.meshes));
}

function isApart(a: Box, b: Box): boolean {
  return [0, 1, 2].some((i) => a.min[i] > b.max[i] + APART_MM || b.min[i] > a.max[i] + APART_MM);
}

function joined(meshes: readonly SolidMesh[]): SolidMesh {
  if (meshes.length === 1) return meshes[0];
  const sizes = (of: (mesh: SolidMesh) => number) => meshes.reduce((sum, mesh) => sum + of(mesh), 0);
  const positions = new Float32Array(sizes((mesh) => mesh.positions.length));
  const triangles = new Uint32Array(sizes((mesh) => mesh.triangles.length));
  let [points, corners] = [0, 0];
  for (const mesh of meshes) {
    positions.set(mesh.positions, points);
    const first = points / 3;
    triangles.set(
      mesh.triangles.map((vertex) => vertex + first),
      corners,
    );
    points += mesh.positions.length;
    corners += mesh.triangles.length;
  }
  return { positions, triangles };
}
