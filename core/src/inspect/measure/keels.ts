import type { Vec3 } from '../../mesh/index.ts';
import type { SteppedLean } from './steppedLeans.ts';
import type { Subject } from './subject.ts';

/** The two faces of a keel look to opposite sides, as seen from above, within the rest of half a turn. */
const OPPOSITE = Math.cos((140 * Math.PI) / 180);
/** A keel that reaches out less in one layer is held by what is beside it, mm. */
const SHORTEST_MM = 2;
/** An edge that rises by less than this over its length is level: it begins in mid-air, or spans it, °. */
const LEVEL_DEG = 89.5;

/**
 * Edges below a part that rise slowly, where two faces meet that both are steep enough: the keel of a boat. Each layer
 * goes on as a thin tongue far beyond the one below, though no face leans too far.
 *
 * @param leanDeg how far each face leans out over nothing, 0 for those that do not
 */
export function keels(
  { mesh: { positions: p, triangles: t }, faces: { normals: n }, topology }: Subject,
  leanDeg: Float64Array,
  layerMm: number,
): SteppedLean[] {
  const leastDeg = (Math.atan2(SHORTEST_MM, layerMm) * 180) / Math.PI;
  const found: SteppedLean[] = [];
  for (let face = 0; face < leanDeg.length; face++) {
    if (leanDeg[face] === 0) continue;
    for (let k = 0; k < 3; k++) {
      const other = topology.neighbours[3 * face + k];
      if (other <= face || leanDeg[other] === 0) continue;
      const [a, b] = [3 * t[3 * face + k], 3 * t[3 * face + ((k + 1) % 3)]];
      const outMm = Math.hypot(p[b] - p[a], p[b + 1] - p[a + 1]);
      const deg = (Math.atan2(outMm, Math.abs(p[b + 2] - p[a + 2])) * 180) / Math.PI;
      if (outMm < SHORTEST_MM || deg < leastDeg || deg > LEVEL_DEG) continue;
      const [f, g] = [3 * face, 3 * other];
      const together = n[f] * n[g] + n[f + 1] * n[g + 1];
      const apart = Math.hypot(n[f], n[f + 1]) * Math.hypot(n[g], n[g + 1]);
      if (together > OPPOSITE * apart || !isRidge(p, t, n, face, other, a)) continue;
      const at = [0, 1, 2].map((axis) => (p[a + axis] + p[b + axis]) / 2) as unknown as Vec3;
      found.push({ deg, at, faces: [face, other] });
    }
  }
  return found;
}

/** Whether a neighbour bends away from a face at their edge: all of it lies behind the face. */
function isRidge(
  p: Float32Array,
  t: Uint32Array,
  n: Float64Array | Float32Array,
  face: number,
  other: number,
  from: number,
): boolean {
  return [0, 1, 2].every((k) => {
    const corner = 3 * t[3 * other + k];
    return (
      [0, 1, 2].reduce((sum, axis) => sum + n[3 * face + axis] * (p[corner + axis] - p[from + axis]), 0) <
      1e-3
    );
  });
}
