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

/** Of so many opposites of an edge the nearest is sought; more than a few in one edge are no solid that anybody drew. */
const MOST_COMPARED = 8;

/**
 * Pairs each directed edge with its opposite, in time that grows with the number of triangles alone, however many of
 * them meet in one corner or one edge.
 *
 * Where more than two triangles meet in one edge (two boxes that touch along it), each is paired with the next across
 * the material, so that bodies that only touch stay apart; the surface still counts as closed.
 */
function pairedEdges({ positions, triangles }: SolidMesh): Topology {
  const edgeCount = triangles.length;
  const neighbours = new Int32Array(edgeCount).fill(-1);
  const byEnds = new EdgesByEnds(triangles);

  let openEdges = 0;
  for (let edge = 0; edge < edgeCount; edge++) {
    if (neighbours[edge] >= 0) continue;
    const opposite = byEnds.opposite(edge, neighbours, positions);
    if (opposite < 0) {
      openEdges++;
      continue;
    }
    neighbours[edge] = Math.floor(opposite / 3);
    neighbours[opposite] = Math.floor(edge / 3);
  }
  return { neighbours, openEdges, ...bodiesOf(neighbours) };
}

/**
 * The directed edges by the vertices where they start and end: a table with open addressing whose places lead to linked
 * lists, all in flat arrays, so that no objects are made.
 */
class EdgesByEnds {
  readonly #triangles: Uint32Array;
  readonly #mask: number;
  /** An edge for each place of the table that is taken, which tells the ends of all in its list. */
  readonly #sample: Int32Array;
  readonly #first: Int32Array;
  readonly #next: Int32Array;

  constructor(triangles: Uint32Array) {
    this.#triangles = triangles;
    let size = 16;
    while (size < 2 * triangles.length) size *= 2;
    this.#mask = size - 1;
    this.#sample = new Int32Array(size).fill(-1);
    this.#first = new Int32Array(size).fill(-1);
    this.#next = new Int32Array(triangles.length);
    for (let edge = triangles.length - 1; edge >= 0; edge--) {
      const place = this.#place(triangles[edge], triangles[endCorner(edge)]);
      this.#sample[place] = edge;
      this.#next[edge] = this.#first[place];
      this.#first[place] = edge;
    }
  }

  /** The nearest edge that runs against the given one and is not paired yet; -1 if there is none. */
  opposite(edge: number, neighbours: Int32Array, positions: Float32Array): number {
    const place = this.#place(this.#triangles[endCorner(edge)], this.#triangles[edge]);
    let nearest = -1;
    let nearestTurn = Infinity;
    let before = -1;
    let compared = 0;
    for (let other = this.#first[place]; other >= 0 && compared < MOST_COMPARED; other = this.#next[other]) {
      if (neighbours[other] >= 0) {
        // Taken out, so that nobody comes past it again.
        if (before < 0) this.#first[place] = this.#next[other];
        else this.#next[before] = this.#next[other];
        continue;
      }
      // Nearly every edge has one opposite, which needs no comparing.
      const isOnly = nearest < 0 && this.#next[other] < 0;
      const turn = isOnly ? 0 : turnBetween(positions, this.#triangles, edge, other);
      if (nearest < 0 || turn < nearestTurn) {
        nearest = other;
        nearestTurn = turn;
      }
      before = other;
      compared++;
    }
    return nearest;
  }

  #place(start: number, end: number): number {
    let hash = Math.imul(start, 0x9e3779b1) ^ Math.imul(end, 0x85ebca6b);
    hash = Math.imul(hash ^ (hash >>> 15), 0x2c1b3c6d);
    let place = (hash ^ (hash >>> 13)) & this.#mask;
    for (;;) {
      const edge = this.#sample[place];
      if (edge < 0) return place;
      if (this.#triangles[edge] === start && this.#triangles[endCorner(edge)] === end) return place;
      place = (place + 1) & this.#mask;
    }
  }
}

/** The turn through the material from an edge's triangle to that of one of its opposites, radians above 0. */
function turnBetween(p: Float32Array, triangles: Uint32Array, edge: number, opposite: number): number {
  const from = 3 * triangles[edge];
  const to = 3 * triangles[endCorner(edge)];
  const [ax, ay, az] = [p[to] - p[from], p[to + 1] - p[from + 1], p[to + 2] - p[from + 2]];
  const length = Math.sqrt(ax * ax + ay * ay + az * az);
  const tip = 3 * triangles[endCorner(endCorner(edge))];
  const [ux, uy, uz] = [p[tip] - p[from], p[tip + 1] - p[from + 1], p[tip + 2] - p[from + 2]];
  const other = 3 * triangles[endCorner(endCorner(opposite))];
  const [vx, vy, vz] = [p[other] - p[from], p[other + 1] - p[from + 1], p[other + 2] - p[from + 2]];
  // Only what of the two ways lies across the edge turns about it.
  const uAlong = (ux * ax + uy * ay + uz * az) / length;
  const vAlong = (vx * ax + vy * ay + vz * az) / length;
  const sine = ((uy * vz - uz * vy) * ax + (uz * vx - ux * vz) * ay + (ux * vy - uy * vx) * az) / length;
  const cosine = ux * vx + uy * vy + uz * vz - uAlong * vAlong;
  // The triangle's own plane is turned inwards about the edge, which is the way of the clock seen against it.
  const turn = Math.atan2(-sine, cosine);
  return turn > 0 ? turn : turn + 2 * Math.PI;
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
