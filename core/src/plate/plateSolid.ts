import { boundsOf, type SolidMesh } from '../mesh/index.ts';
import type { Pose } from './placement.ts';

/** The solids of a plate as one mesh, each with the middle of its box where it is laid, for a picture of them all. */
export function plateSolid(parts: readonly (Pose & { readonly mesh: SolidMesh })[]): SolidMesh {
  const count = (of: 'positions' | 'triangles') => parts.reduce((sum, { mesh }) => sum + mesh[of].length, 0);
  const positions = new Float32Array(count('positions'));
  const triangles = new Uint32Array(count('triangles'));
  let [place, corner] = [0, 0];
  for (const { mesh, xMm, yMm, turnDeg } of parts) {
    const { min, max } = boundsOf(mesh);
    const angle = (turnDeg * Math.PI) / 180;
    const [c, s] = [Math.cos(angle), Math.sin(angle)];
    for (const vertex of mesh.triangles) triangles[corner++] = vertex + place / 3;
    for (let i = 0; i < mesh.positions.length; i += 3) {
      const x = mesh.positions[i] - (min[0] + max[0]) / 2;
      const y = mesh.positions[i + 1] - (min[1] + max[1]) / 2;
      positions[place++] = xMm + c * x - s * y;
      positions[place++] = yMm + s * x + c * y;
      positions[place++] = mesh.positions[i + 2];
    }
  }
  return { positions, triangles };
}
