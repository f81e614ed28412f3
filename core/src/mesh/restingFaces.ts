import { facesOf } from './measure.ts';
import type { SolidMesh, Vec3 } from './solidMesh.ts';

/** A flat face that a part can lie on: all of the part is on one side of it. */
export interface RestingFace {
  /** The direction that the face looks, of unit length. */
  readonly normal: Vec3;
  readonly areaMm2: number;
  readonly triangles: readonly number[];
}

/** Directions that differ by less than this are one. */
const SAME_DIRECTION = 1e-3;
/** Triangles this near to the outermost plane lie in it, mm. */
const SAME_PLANE_MM = 1e-3;
/** Smaller faces hold nothing, mm². */
const LEAST_MM2 = 1;
/** Curved surfaces have a direction for every facet; only the largest are looked at. */
const MOST_DIRECTIONS = 60;

/** The flat faces that a part can lie on, largest first. */
export function restingFaces(mesh: SolidMesh): RestingFace[] {
  const { normals, areas } = facesOf(mesh);
  const groups = new Map<string, { normal: Vec3; area: number; triangles: number[] }>();
  areas.forEach((area, t) => {
    const normal: Vec3 = [normals[3 * t], normals[3 * t + 1], normals[3 * t + 2]];
    const key = normal.map((part) => Math.round(part / SAME_DIRECTION)).join();
    const group = groups.get(key) ?? { normal, area: 0, triangles: [] };
    group.area += area;
    group.triangles.push(t);
    groups.set(key, group);
  });
  return [...groups.values()]
    .filter(({ area }) => area >= LEAST_MM2)
    .sort((a, b) => b.area - a.area)
    .slice(0, MOST_DIRECTIONS)
    .map(({ normal, triangles }) => outermost(mesh, normal, triangles, areas))
    .filter(({ areaMm2 }) => areaMm2 >= LEAST_MM2)
    .sort((a, b) => b.areaMm2 - a.areaMm2);
}

/** Those of the triangles with a direction that lie furthest out along it. */
function outermost(
  { positions: p, triangles: t }: SolidMesh,
  normal: Vec3,
  candidates: readonly number[],
  areas: Float64Array,
): RestingFace {
  const along = (vertex: number) =>
    normal[0] * p[3 * vertex] + normal[1] * p[3 * vertex + 1] + normal[2] * p[3 * vertex + 2];
  let furthest = -Infinity;
  for (const vertex of t) furthest = Math.max(furthest, along(vertex));
  const lying = candidates.filter((f) => along(t[3 * f]) > furthest - SAME_PLANE_MM);
  return { normal, areaMm2: lying.reduce((sum, f) => sum + areas[f], 0), triangles: lying };
}
