import { facesOf } from './measure.ts';
import type { SolidMesh } from './solidMesh.ts';
import { topologyOf } from './topology.ts';

/**
 * The edges at which a surface bends by more than an angle, as a drawing shows them: x, y, z of both ends of each.
 * Edges within a flat face or along a finely faceted curve are left out.
 */
export function featureEdges(mesh: SolidMesh, leastDeg = 28): Float32Array {
  const { positions: p, triangles: t } = mesh;
  const { neighbours } = topologyOf(mesh);
  const { normals: n } = facesOf(mesh);
  const mostCosine = Math.cos((leastDeg * Math.PI) / 180);
  const ends: number[] = [];
  for (let edge = 0; edge < t.length; edge++) {
    const a = Math.floor(edge / 3);
    const b = neighbours[edge];
    // Each edge is met from both of its triangles; the one with the lower number draws it.
    if (b >= 0 && b < a) continue;
    if (b >= 0) {
      const cosine = n[3 * a] * n[3 * b] + n[3 * a + 1] * n[3 * b + 1] + n[3 * a + 2] * n[3 * b + 2];
      if (cosine > mostCosine) continue;
    }
    const from = 3 * t[edge];
    const to = 3 * t[edge % 3 === 2 ? edge - 2 : edge + 1];
    ends.push(p[from], p[from + 1], p[from + 2], p[to], p[to + 1], p[to + 2]);
  }
  return Float32Array.from(ends);
}
