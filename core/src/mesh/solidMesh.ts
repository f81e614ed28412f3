/** A point or direction in millimetres: x to the right, y to the back, z up. */
export type Vec3 = readonly [number, number, number];

/** An axis-parallel box in millimetres. */
export interface Box {
  readonly min: Vec3;
  readonly max: Vec3;
}

/**
 * The surface of a solid as triangles: the one shape in which geometry leaves the kernel and crosses to
 * workers, files and screens.
 *
 * `positions` holds x, y, z of each vertex in millimetres; `triangles` three vertex indices per triangle,
 * counter-clockwise seen from outside. `stepOf`, where the solid was made by a recipe, holds for each triangle the
 * index of the step whose surface it is.
 */
export interface SolidMesh {
  readonly positions: Float32Array;
  readonly triangles: Uint32Array;
  readonly stepOf?: Uint16Array;
}

/** Some of a mesh's triangles, as a mesh that shares its corners. */
export function onlyFaces({ positions, triangles }: SolidMesh, faces: readonly number[]): SolidMesh {
  const corners = new Uint32Array(3 * faces.length);
  faces.forEach((face, i) => {
    for (let k = 0; k < 3; k++) corners[3 * i + k] = triangles[3 * face + k];
  });
  return { positions, triangles: corners };
}

/** The number of triangles of a mesh. */
export function triangleCount(mesh: SolidMesh): number {
  return mesh.triangles.length / 3;
}

/** Meshes are not changed once they are made, and nearly everything asks for their boxes. */
const boxes = new WeakMap<SolidMesh, Box>();

/**
 * The smallest axis-parallel box around the vertices that triangles use.
 * An empty mesh has the box of the origin.
 */
export function boundsOf(mesh: SolidMesh): Box {
  let box = boxes.get(mesh);
  if (!box) {
    box = measuredBox(mesh);
    boxes.set(mesh, box);
  }
  return box;
}

function measuredBox({ positions, triangles }: SolidMesh): Box {
  if (triangles.length === 0) return { min: [0, 0, 0], max: [0, 0, 0] };
  let minX = Infinity;
  let minY = Infinity;
  let minZ = Infinity;
  let maxX = -Infinity;
  let maxY = -Infinity;
  let maxZ = -Infinity;
  for (const vertex of triangles) {
    const x = positions[3 * vertex];
    const y = positions[3 * vertex + 1];
    const z = positions[3 * vertex + 2];
    if (x < minX) minX = x;
    if (x > maxX) maxX = x;
    if (y < minY) minY = y;
    if (y > maxY) maxY = y;
    if (z < minZ) minZ = z;
    if (z > maxZ) maxZ = z;
  }
  return { min: [minX, minY, minZ], max: [maxX, maxY, maxZ] };
}

/** The edge lengths of a box in millimetres. */
export function sizeOf(box: Box): [number, number, number] {
  return [box.max[0] - box.min[0], box.max[1] - box.min[1], box.max[2] - box.min[2]];
}

/** The smallest box around two boxes. */
export function boxAround(a: Box, b: Box): Box {
  const each = (pick: (p: number, q: number) => number, p: Vec3, q: Vec3): Vec3 => [
    pick(p[0], q[0]),
    pick(p[1], q[1]),
    pick(p[2], q[2]),
  ];
  return { min: each(Math.min, a.min, b.min), max: each(Math.max, a.max, b.max) };
}

/** The same mesh moved by the given millimetres; triangles are shared, positions are new. */
export function translated(mesh: SolidMesh, [dx, dy, dz]: Vec3): SolidMesh {
  const positions = new Float32Array(mesh.positions.length);
  for (let i = 0; i < positions.length; i += 3) {
    positions[i] = mesh.positions[i] + dx;
    positions[i + 1] = mesh.positions[i + 1] + dy;
    positions[i + 2] = mesh.positions[i + 2] + dz;
  }
  return { ...mesh, positions };
}

/** The mesh lowered or raised so that its lowest point lies on the plate, z = 0. */
export function setDown(mesh: SolidMesh): SolidMesh {
  const lowest = boundsOf(mesh).min[2];
  return lowest === 0 ? mesh : translated(mesh, [0, 0, -lowest]);
}

/** The eight corners of a box. */
export function cornersOf({ min, max }: Box): Vec3[] {
  return [0, 1, 2, 3, 4, 5, 6, 7].map((bits) => [
    bits & 1 ? max[0] : min[0],
    bits & 2 ? max[1] : min[1],
    bits & 4 ? max[2] : min[2],
  ]);
}
