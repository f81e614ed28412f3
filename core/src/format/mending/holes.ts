import { topologyOf, type SolidMesh } from '../../mesh/index.ts';
import { cutUp, fanOf } from '../polygon.ts';

/** A hole in a surface is closed if it has no more edges than this; a larger one is missing too much to guess. */
const LARGEST_HOLE = 12;
/** Nothing is closed where more than this share of all edges is open: that is a sheet, and no solid with a hole. */
const OPEN_SHARE = 0.2;

/** A surface without its holes of few edges, how many there were, and how far across the largest was, mm. */
export interface Filled {
  readonly mesh: SolidMesh;
  readonly filled: number;
  readonly largestMm: number;
}

/** Closes holes of few edges by triangles between their corners. */
export function withHolesFilled(mesh: SolidMesh): Filled {
  const { positions: p, triangles: t } = mesh;
  const { neighbours, openEdges } = topologyOf(mesh);
  if (openEdges > OPEN_SHARE * t.length) return { mesh, filled: 0, largestMm: 0 };
  // Along a hole the missing triangles run against those that are there.
  const next = new Map<number, number>();
  for (let edge = 0; edge < t.length; edge++) {
    if (neighbours[edge] < 0) next.set(t[edge % 3 === 2 ? edge - 2 : edge + 1], t[edge]);
  }
  const added: number[] = [];
  let filled = 0;
  let largestMm = 0;
  while (next.size > 0) {
    const [start] = next.keys();
    const loop = [start];
    let at = next.get(start)!;
    next.delete(start);
    while (at !== start && next.has(at)) {
      loop.push(at);
      const following = next.get(at)!;
      next.delete(at);
      at = following;
    }
    if (at !== start || loop.length < 3 || loop.length > LARGEST_HOLE) continue;
    const triangles = cutUp(loop, (corner, axis) => p[3 * corner + axis]);
    // Each corner has to be met, also on a straight run.
    const isWhole = triangles.length === 3 * (loop.length - 2);
    for (const corner of isWhole ? triangles : fanOf(loop)) added.push(corner);
    filled++;
    largestMm = Math.max(largestMm, acrossMm(loop, p));
  }
  if (filled === 0) return { mesh, filled, largestMm };
  return { mesh: { ...mesh, triangles: Uint32Array.from([...t, ...added]) }, filled, largestMm };
}

/** How far apart the two corners of a loop are that are furthest from each other. */
function acrossMm(loop: readonly number[], p: Float32Array): number {
  const apart = (a: number, b: number) =>
    Math.hypot(p[3 * a] - p[3 * b], p[3 * a + 1] - p[3 * b + 1], p[3 * a + 2] - p[3 * b + 2]);
  return Math.max(...loop.flatMap((a, i) => loop.slice(i + 1).map((b) => apart(a, b))));
}
