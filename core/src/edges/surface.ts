import { facesOf, topologyOf, type SolidMesh, type Vec3 } from '../mesh/index.ts';
import { cross, dot, minus } from '../mesh/vectors.ts';

/** Where a surface turns by more, it has an edge; along a faceted curve it turns by less, °. */
export const SHARP_DEG = 28;
/** A triangle lower than this has no direction that could be trusted, mm. */
const SLIVER_MM = 2e-3;

/** What is asked of a surface by those who look for its edges. */
export interface Surface {
  readonly mesh: SolidMesh;
  readonly neighbours: Int32Array;
  /** The smooth face that each triangle belongs to: one that is reached from another without crossing an edge. */
  readonly faceOf: Int32Array;
  /** By triangle edge (3 f + k runs from corner k to k + 1), whether the surface turns sharply there. */
  readonly isSharp: Uint8Array;
  /** The triangles at a vertex. */
  around(vertex: number): Uint32Array;
  place(vertex: number): Vec3;
  /** The outward normal of a triangle; a sliver's is that of the triangle beside its longest edge. */
  normal(triangle: number): Vec3;
  /** The vertex where a triangle edge starts. */
  start(edge: number): number;
  end(edge: number): number;
  /** The same edge as its other triangle has it. */
  opposite(edge: number): number;
}

/** Takes a closed mesh for a surface whose edges are looked for. */
export function surfaceOf(mesh: SolidMesh): Surface {
  const { positions: p, triangles: t } = mesh;
  const { neighbours } = topologyOf(mesh);
  const place = (vertex: number): Vec3 => [p[3 * vertex], p[3 * vertex + 1], p[3 * vertex + 2]];
  const start = (edge: number) => t[edge];
  const end = (edge: number) => t[edge % 3 === 2 ? edge - 2 : edge + 1];
  const opposite = (edge: number): number => {
    const other = 3 * neighbours[edge];
    const [from, to] = [start(edge), end(edge)];
    for (let k = 0; k < 3; k++) if (start(other + k) === to && end(other + k) === from) return other + k;
    return -1;
  };
  const normals = trustedNormals(mesh, neighbours, place, start, end);
  const normal = (f: number): Vec3 => [normals[3 * f], normals[3 * f + 1], normals[3 * f + 2]];

  const mostCosine = Math.cos((SHARP_DEG * Math.PI) / 180);
  const isSharp = new Uint8Array(t.length);
  for (let edge = 0; edge < t.length; edge++) {
    const other = neighbours[edge];
    isSharp[edge] = Number(other < 0 || dot(normal(Math.floor(edge / 3)), normal(other)) < mostCosine);
  }
  const fans = fansOf(mesh);
  return {
    mesh,
    neighbours,
    faceOf: smoothFaces(neighbours, isSharp),
    isSharp,
    around: (vertex) => fans.list.subarray(fans.first[vertex], fans.first[vertex + 1]),
    place,
    normal,
    start,
    end,
    opposite,
  };
}

/** The normals of all triangles; those of slivers are borrowed. */
function trustedNormals(
  mesh: SolidMesh,
  neighbours: Int32Array,
  place: (vertex: number) => Vec3,
  start: (edge: number) => number,
  end: (edge: number) => number,
): Float64Array {
  const { normals, areas } = facesOf(mesh);
  const lenders = new Map<number, number>();
  for (let f = 0; f < areas.length; f++) {
    let [longest, longestMm] = [0, 0];
    for (let k = 0; k < 3; k++) {
      const mm = Math.hypot(...minus(place(end(3 * f + k)), place(start(3 * f + k))));
      if (mm > longestMm) [longest, longestMm] = [3 * f + k, mm];
    }
    if (2 * areas[f] < SLIVER_MM * longestMm) lenders.set(f, neighbours[longest]);
  }
  for (const f of lenders.keys()) {
    let from = lenders.get(f)!;
    for (let steps = 0; lenders.has(from) && steps < 8; steps++) from = lenders.get(from)!;
    if (from >= 0) normals.set(normals.subarray(3 * from, 3 * from + 3), 3 * f);
  }
  return normals;
}

/** The number of the smooth face of each triangle, from 0. */
function smoothFaces(neighbours: Int32Array, isSharp: Uint8Array): Int32Array {
  const faceOf = new Int32Array(neighbours.length / 3).fill(-1);
  let faces = 0;
  for (let seed = 0; seed < faceOf.length; seed++) {
    if (faceOf[seed] >= 0) continue;
    const stack = [seed];
    faceOf[seed] = faces;
    while (stack.length > 0) {
      const f = stack.pop()!;
      for (let edge = 3 * f; edge < 3 * f + 3; edge++) {
        const other = neighbours[edge];
        if (isSharp[edge] || faceOf[other] >= 0) continue;
        faceOf[other] = faces;
        stack.push(other);
      }
    }
    faces++;
  }
  return faceOf;
}

/** The triangles at each vertex, in one list, and where each vertex's begin in it. */
function fansOf({ positions, triangles }: SolidMesh): { first: Uint32Array; list: Uint32Array } {
  const first = new Uint32Array(positions.length / 3 + 1);
  for (const vertex of triangles) first[vertex + 1]++;
  for (let v = 0; v + 1 < first.length; v++) first[v + 1] += first[v];
  const next = first.slice();
  const list = new Uint32Array(triangles.length);
  triangles.forEach((vertex, corner) => (list[next[vertex]++] = Math.floor(corner / 3)));
  return { first, list };
}

/** By how much a surface turns at an edge, radians: more than nothing where it stands out, less where it goes in. */
export function turnAt(surface: Surface, edge: number): number {
  const { neighbours, normal, place, start, end } = surface;
  const [a, b] = [normal(Math.floor(edge / 3)), normal(neighbours[edge])];
  const across = cross(a, b);
  const along = minus(place(end(edge)), place(start(edge)));
  return Math.sign(dot(across, along)) * Math.atan2(Math.hypot(...across), dot(a, b));
}

/** The sharp edges that start at a vertex. */
export function sharpEdgesFrom({ around, isSharp, start }: Surface, vertex: number): number[] {
  const found: number[] = [];
  for (const triangle of around(vertex)) {
    for (let edge = 3 * triangle; edge < 3 * triangle + 3; edge++) {
      if (isSharp[edge] && start(edge) === vertex) found.push(edge);
    }
  }
  return found;
}
