import type { SolidMesh } from './solidMesh.ts';

/** Which triangles touch which, across edges and as bodies. */
export interface Topology {
  /** For each triangle edge (3 f + k runs from corner k to k + 1) the neighbouring triangle, or -1 if there is none. */
  readonly neighbours: Int32Array;
  /** Number of edges where the surface does not close: its two directions are not used equally often. */
  readonly openEdges: number;
  /** For each triangle the number of the connected body it belongs to, from 0. */
  readonly bodyOf: Int32Array;
  readonly bodies: number;
}

/**
 * Meshes are not changed once they are made, and the evaluation, the inspection and the drawing each ask. Kept by the
 * triangles, since a mesh that was moved has the same.
 */
const known = new WeakMap<Uint32Array, Topology>();

/** Which triangles of a mesh touch which; worked out once for each mesh. */
export function topologyOf(mesh: SolidMesh): Topology {
  let topology = known.get(mesh.triangles);
  if (!topology) {
    topology = pairedEdges(mesh);
    known.set(mesh.triangles, topology);
  }
  return topology;
}

/**
 * Pairs each directed edge with its opposite.
 *
 * Where more than two triangles meet in one edge (two boxes that touch along it), each is paired with the next across
 * the material, so that bodies that only touch stay apart; the surface still counts as closed.
 */
function pairedEdges({ positions, triangles }: SolidMesh): Topology {
  const edgeCount = triangles.length;
  const neighbours = new Int32Array(edgeCount).fill(-1);

  // Each list of edges that leave a vertex is a linked list through `next`, so that no objects are made.
  let vertexCount = 0;
  for (const vertex of triangles) if (vertex >= vertexCount) vertexCount = vertex + 1;
  const firstLeaving = new Int32Array(vertexCount).fill(-1);
  const next = new Int32Array(edgeCount);
  for (let edge = edgeCount - 1; edge >= 0; edge--) {
    const start = triangles[edge];
    next[edge] = firstLeaving[start];
    firstLeaving[start] = edge;
  }

  let openEdges = 0;
  for (let edge = 0; edge < edgeCount; edge++) {
    if (neighbours[edge] >= 0) continue;
    const start = triangles[edge];
    const end = triangles[endCorner(edge)];
    let opposite = -1;
    for (let other = firstLeaving[end]; other >= 0; other = next[other]) {
      if (neighbours[other] >= 0 || triangles[endCorner(other)] !== start) continue;
      if (opposite < 0 || isNearer(positions, triangles, edge, other, opposite)) opposite = other;
    }
    if (opposite < 0) {
      openEdges++;
      continue;
    }
    neighbours[edge] = Math.floor(opposite / 3);
    neighbours[opposite] = Math.floor(edge / 3);
  }
  return { neighbours, openEdges, ...bodiesOf(neighbours) };
}

/** Whether of two opposites of an edge the first is met sooner on the way through the material from the edge's triangle. */
function isNearer(p: Float32Array, triangles: Uint32Array, edge: number, a: number, b: number): boolean {
  const [from, to] = [3 * triangles[edge], 3 * triangles[endCorner(edge)]];
  const along = [0, 1, 2].map((axis) => p[to + axis] - p[from + axis]);
  const length = Math.hypot(...along);
  /** How far the third corner of an edge's triangle lies from the edge, in each direction. */
  const aside = (of: number) => {
    const tip = 3 * triangles[endCorner(endCorner(of))];
    const way = [0, 1, 2].map((axis) => p[tip + axis] - p[from + axis]);
    const share = way.reduce((sum, part, axis) => sum + part * along[axis], 0) / (length * length);
    return way.map((part, axis) => part - share * along[axis]);
  };
  const own = aside(edge);
  // The triangle's own plane is turned inwards about the edge, which is the way of the clock seen against it.
  const turnTo = (of: number) => {
    const other = aside(of);
    const cross = (i: number, k: number) => own[i] * other[k] - own[k] * other[i];
    const sine = (cross(1, 2) * along[0] + cross(2, 0) * along[1] + cross(0, 1) * along[2]) / length;
    const cosine = own[0] * other[0] + own[1] * other[1] + own[2] * other[2];
    const turn = Math.atan2(-sine, cosine);
    return turn > 0 ? turn : turn + 2 * Math.PI;
  };
  return turnTo(a) < turnTo(b);
}

/** The index in `triangles` of the vertex where a directed edge ends. */
function endCorner(edge: number): number {
  return edge % 3 === 2 ? edge - 2 : edge + 1;
}

function bodiesOf(neighbours: Int32Array): { bodyOf: Int32Array; bodies: number } {
  const bodyOf = new Int32Array(neighbours.length / 3).fill(-1);
  const stack: number[] = [];
  let bodies = 0;
  for (let seed = 0; seed < bodyOf.length; seed++) {
    if (bodyOf[seed] >= 0) continue;
    bodyOf[seed] = bodies;
    stack.push(seed);
    while (stack.length > 0) {
      const face = stack.pop()!;
      for (let k = 0; k < 3; k++) {
        const other = neighbours[3 * face + k];
        if (other >= 0 && bodyOf[other] < 0) {
          bodyOf[other] = bodies;
          stack.push(other);
        }
      }
    }
    bodies++;
  }
  return { bodyOf, bodies };
}
