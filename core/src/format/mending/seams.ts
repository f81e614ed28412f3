import { topologyOf, type SolidMesh } from '../../mesh/index.ts';
import { NearPlaces } from './nearPlaces.ts';

/** The reaches at which corners are joined, as shares of the furthest: what lies closer is joined by less. */
const REACHES = [1e-3, 1e-2, 0.1, 1];

/** A mesh whose seams were joined, and how far apart the corners were at most that were taken for one, mm. */
export interface JoinedSeams {
  readonly mesh: SolidMesh;
  readonly reachMm: number;
}

/**
 * Joins corners along open edges that lie so near to each other that they were meant to be one. The least distance at
 * which the surface closes is taken, or the one at which most of it does; the mesh itself where nothing is to be had.
 *
 * @param furthestMm no corners further apart than this are joined
 */
export function withSeamsJoined(mesh: SolidMesh, furthestMm: number): JoinedSeams {
  let best: JoinedSeams = { mesh, reachMm: 0 };
  let open = topologyOf(mesh).openEdges;
  for (const share of REACHES) {
    if (open === 0) break;
    const reachMm = share * furthestMm;
    const joined = joinedWithin(mesh, reachMm);
    const left = topologyOf(joined).openEdges;
    if (left < open) [best, open] = [{ mesh: joined, reachMm }, left];
  }
  return best;
}

function joinedWithin(mesh: SolidMesh, reachMm: number): SolidMesh {
  const { positions: p, triangles } = mesh;
  const open = openCorners(mesh);
  const places = new NearPlaces(p, open.length, reachMm);
  const vertexOf = Uint32Array.from({ length: p.length / 3 }, (_, i) => i);
  for (const vertex of open) {
    const [x, y, z] = [p[3 * vertex], p[3 * vertex + 1], p[3 * vertex + 2]];
    let nearest = -1;
    let leastMm = reachMm;
    places.around(x, y, z, (other) => {
      const apartMm = Math.hypot(p[3 * other] - x, p[3 * other + 1] - y, p[3 * other + 2] - z);
      if (apartMm <= leastMm) [nearest, leastMm] = [other, apartMm];
    });
    // Joined to one that stays, so that no chain of near ones pulls together what is far apart.
    if (nearest >= 0) vertexOf[vertex] = nearest;
    else places.add(vertex);
  }
  const kept = new Uint32Array(triangles.length);
  let count = 0;
  for (let i = 0; i < triangles.length; i += 3) {
    const [a, b, c] = [vertexOf[triangles[i]], vertexOf[triangles[i + 1]], vertexOf[triangles[i + 2]]];
    if (a === b || b === c || c === a) continue;
    kept[count++] = a;
    kept[count++] = b;
    kept[count++] = c;
  }
  return { positions: p, triangles: kept.slice(0, count) };
}

/** The corners at which the surface does not close, each once. */
export function openCorners(mesh: SolidMesh): number[] {
  const { triangles: t } = mesh;
  const { neighbours } = topologyOf(mesh);
  const open = new Set<number>();
  for (let edge = 0; edge < t.length; edge++) {
    if (neighbours[edge] >= 0) continue;
    open.add(t[edge]);
    open.add(t[edge % 3 === 2 ? edge - 2 : edge + 1]);
  }
  return [...open];
}
