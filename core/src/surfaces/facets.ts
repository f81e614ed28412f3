import type { SolidMesh, Vec3 } from '../mesh/index.ts';
import { cross, dot, lengthOf, minus, plus, times } from '../mesh/vectors.ts';

/** Triangles that lie in one plane and hang together. */
export interface Facet {
  readonly triangles: readonly number[];
  /** Outwards; the plane is where a point times it is `offset`. */
  readonly normal: Vec3;
  readonly offset: number;
  /** The middle of its corners, and how far the farthest of them is from there. */
  readonly middle: Vec3;
  readonly reachMm: number;
}

/** An edge of the mesh between two facets. */
export interface FacetEdge {
  readonly from: number;
  readonly to: number;
  /** The facet to the left of the edge as seen from outside, and the one to the right. */
  readonly facets: readonly [number, number];
  /** The angle between their normals, radians. */
  readonly turn: number;
}

export interface Facets {
  readonly points: readonly Vec3[];
  readonly facets: readonly Facet[];
  /** The facet of each triangle. */
  readonly facetOf: Int32Array;
  /** The edges of each facet. */
  readonly edgesOf: readonly (readonly FacetEdge[])[];
}

/** What is built lies on a grid of 0.00003 mm; corners may be off a plane by a few of its steps. */
const FLAT_MM = 1.5e-4;

/**
 * The facets of a closed mesh, the largest triangles first, so that slivers join a plane that is known well.
 * @throws RangeError where an edge has no triangle on its other side, or two
 */
export function facetsOf({ positions, triangles }: SolidMesh): Facets {
  const points: Vec3[] = Array.from({ length: positions.length / 3 }, (_, i) => [
    positions[3 * i],
    positions[3 * i + 1],
    positions[3 * i + 2],
  ]);
  const count = triangles.length / 3;
  const normals: Vec3[] = [];
  const areas: number[] = [];
  const triangleAt = new Map<number, number>();
  const key = (from: number, to: number) => from * points.length + to;
  for (let t = 0; t < count; t++) {
    const [a, b, c] = [0, 1, 2].map((k) => triangles[3 * t + k]);
    const normal = cross(minus(points[b], points[a]), minus(points[c], points[a]));
    const size = lengthOf(normal);
    normals.push(size > 0 ? times(normal, 1 / size) : normal);
    areas.push(size / 2);
    for (const [from, to] of [
      [a, b],
      [b, c],
      [c, a],
    ]) {
      if (triangleAt.has(key(from, to))) throw new RangeError('Two bodies of the mesh share an edge');
      triangleAt.set(key(from, to), t);
    }
  }
  const beside = (from: number, to: number): number => {
    const other = triangleAt.get(key(to, from));
    if (other === undefined) throw new RangeError('The mesh is not closed');
    return other;
  };
  const facetOf = new Int32Array(count).fill(-1);
  const planes: Pick<Facet, 'triangles' | 'normal' | 'offset'>[] = [];
  for (const seed of [...areas.keys()].sort((a, b) => areas[b] - areas[a])) {
    if (facetOf[seed] >= 0) continue;
    const normal = normals[seed];
    const offset = dot(normal, points[triangles[3 * seed]]);
    const members = [seed];
    facetOf[seed] = planes.length;
    for (const t of members) {
      for (let k = 0; k < 3; k++) {
        const next = beside(triangles[3 * t + k], triangles[3 * t + ((k + 1) % 3)]);
        if (facetOf[next] >= 0) continue;
        const isFlat = [0, 1, 2].every(
          (i) => Math.abs(dot(normal, points[triangles[3 * next + i]]) - offset) < FLAT_MM,
        );
        // Slivers have no direction of their own.
        if (!isFlat || (areas[next] > FLAT_MM && dot(normals[next], normal) < 0.99)) continue;
        facetOf[next] = planes.length;
        members.push(next);
      }
    }
    planes.push({ triangles: members, normal, offset });
  }
  const edgesOf: FacetEdge[][] = planes.map(() => []);
  for (let t = 0; t < count; t++) {
    for (let k = 0; k < 3; k++) {
      const [from, to] = [triangles[3 * t + k], triangles[3 * t + ((k + 1) % 3)]];
      const [own, other] = [facetOf[t], facetOf[beside(from, to)]];
      if (own === other) continue;
      const turn = Math.acos(Math.min(1, dot(planes[own].normal, planes[other].normal)));
      edgesOf[own].push({ from, to, facets: [own, other], turn });
    }
  }
  const facets = planes.map((plane, i): Facet => {
    const corners = edgesOf[i].map(({ from }) => points[from]);
    const middle = times(
      corners.reduce((sum, corner) => plus(sum, corner), [0, 0, 0] as Vec3),
      1 / corners.length,
    );
    const reachMm = corners.reduce((most, corner) => Math.max(most, lengthOf(minus(corner, middle))), 0);
    return { ...plane, middle, reachMm };
  });
  return { points, facets, facetOf, edgesOf };
}
