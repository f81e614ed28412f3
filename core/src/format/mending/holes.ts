import { topologyOf, type SolidMesh } from '../../mesh/index.ts';

/** A hole in a surface is closed if it has no more edges than this; a larger one is missing too much to guess. */
const LARGEST_HOLE = 12;
/** Nothing is closed where more than this share of all edges is open: that is a sheet, and no solid with a hole. */
const OPEN_SHARE = 0.2;

/** Closes small holes by triangles from one of their corners to the others. */
export function withHolesFilled(mesh: SolidMesh): { mesh: SolidMesh; filled: number } {
  const { triangles: t } = mesh;
  const { neighbours, openEdges } = topologyOf(mesh);
  if (openEdges > OPEN_SHARE * t.length) return { mesh, filled: 0 };
  // Along a hole the missing triangles run against those that are there.
  const next = new Map<number, number>();
  for (let edge = 0; edge < t.length; edge++) {
    if (neighbours[edge] < 0) next.set(t[edge % 3 === 2 ? edge - 2 : edge + 1], t[edge]);
  }
  const added: number[] = [];
  let filled = 0;
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
    for (let i = 1; i + 1 < loop.length; i++) added.push(loop[0], loop[i], loop[i + 1]);
    filled++;
  }
  return { mesh: filled === 0 ? mesh : { ...mesh, triangles: Uint32Array.from([...t, ...added]) }, filled };
}
