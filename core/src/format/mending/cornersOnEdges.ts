import { boundsOf, sizeOf, topologyOf, type SolidMesh } from '../../mesh/index.ts';
import { NearPlaces } from './nearPlaces.ts';
import { openCorners } from './seams.ts';

/** Triangles are split at one of their edges at a time, so that three goes do for nearly all. */
const MOST_GOES = 6;
/** More comparisons than this are for what is no seam of a solid. */
const MOST_COMPARED = 2e7;
/** Open edges are looked along in steps of this share of the whole. */
const STEP_SHARE = 1 / 100;

/**
 * Joins corners to the open edges of other triangles that they lie on: a triangle is split where one of its edges has
 * such corners. So a surface closes whose triangles meet like bricks.
 *
 * @param reachMm how far a corner may lie beside an edge
 */
export function withCornersOnEdgesJoined(
  given: SolidMesh,
  reachMm: number,
): { mesh: SolidMesh; joined: number } {
  let mesh = given;
  let joined = 0;
  for (let go = 0; go < MOST_GOES && topologyOf(mesh).openEdges > 0; go++) {
    const splits = cornersOn(mesh, reachMm);
    if (splits.size === 0) break;
    mesh = split(mesh, splits);
    for (const corners of splits.values()) joined += corners.length;
  }
  // Where it does not help, the surface stays as it was.
  const isBetter = topologyOf(mesh).openEdges < topologyOf(given).openEdges;
  return isBetter ? { mesh, joined } : { mesh: given, joined: 0 };
}

/** The corners on open edges, in their order along each; no triangle has more than one such edge. */
function cornersOn(mesh: SolidMesh, reachMm: number): Map<number, number[]> {
  const { positions: p, triangles: t } = mesh;
  const { neighbours } = topologyOf(mesh);
  const corners = openCorners(mesh);
  const stepMm = Math.max(2 * reachMm, STEP_SHARE * Math.max(...sizeOf(boundsOf(mesh))));
  const places = new NearPlaces(p, corners.length, stepMm);
  for (const corner of corners) places.add(corner);
  const splits = new Map<number, number[]>();
  let compared = 0;
  let splitFace = -1;
  for (let edge = 0; edge < t.length && compared < MOST_COMPARED; edge++) {
    const face = Math.floor(edge / 3);
    if (neighbours[edge] >= 0 || face === splitFace) continue;
    const [from, to] = [t[edge], t[edge % 3 === 2 ? edge - 2 : edge + 1]];
    const tip = t[3 * face] + t[3 * face + 1] + t[3 * face + 2] - from - to;
    const [ax, ay, az] = [p[3 * from], p[3 * from + 1], p[3 * from + 2]];
    const [ex, ey, ez] = [p[3 * to] - ax, p[3 * to + 1] - ay, p[3 * to + 2] - az];
    const lengthMm = Math.hypot(ex, ey, ez);
    const on = new Map<number, number>();
    const steps = Math.ceil(lengthMm / stepMm);
    for (let k = 0; k <= steps; k++) {
      const share = k / Math.max(1, steps);
      places.around(ax + share * ex, ay + share * ey, az + share * ez, (corner) => {
        compared++;
        if (corner === from || corner === to || corner === tip) return;
        const [dx, dy, dz] = [p[3 * corner] - ax, p[3 * corner + 1] - ay, p[3 * corner + 2] - az];
        const alongMm = (dx * ex + dy * ey + dz * ez) / lengthMm;
        if (alongMm <= reachMm || alongMm >= lengthMm - reachMm) return;
        const besideMm = Math.sqrt(Math.max(0, dx * dx + dy * dy + dz * dz - alongMm * alongMm));
        if (besideMm <= reachMm) on.set(corner, alongMm);
      });
    }
    if (on.size === 0) continue;
    splits.set(
      edge,
      [...on].sort((a, b) => a[1] - b[1]).map(([corner]) => corner),
    );
    splitFace = face;
  }
  return splits;
}

function split({ positions, triangles: t }: SolidMesh, splits: ReadonlyMap<number, number[]>): SolidMesh {
  const triangles: number[] = [];
  for (let face = 0; face < t.length / 3; face++) {
    const edge = [0, 1, 2].map((k) => 3 * face + k).find((each) => splits.has(each));
    if (edge === undefined) {
      triangles.push(t[3 * face], t[3 * face + 1], t[3 * face + 2]);
      continue;
    }
    const to = t[edge % 3 === 2 ? edge - 2 : edge + 1];
    const tip = t[3 * face] + t[3 * face + 1] + t[3 * face + 2] - t[edge] - to;
    const way = [t[edge], ...splits.get(edge)!, to];
    for (let i = 1; i < way.length; i++) triangles.push(way[i - 1], way[i], tip);
  }
  return { positions, triangles: Uint32Array.from(triangles) };
}
