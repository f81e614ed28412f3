import type { SolidMesh } from '../src/mesh/index.ts';
import { subdivided } from './wildMeshes.ts';

/** Ways to make another mesh of the same shape, whose verdicts and figures have to be the same. */
export const variants: Readonly<Record<string, (mesh: SolidMesh) => SolidMesh>> = {
  'turned oddly': ({ positions: p, triangles }) => {
    const [c, s] = [Math.cos(0.37), Math.sin(0.37)];
    const positions = p.map((_, i) =>
      i % 3 === 0 ? p[i] * c - p[i + 1] * s : i % 3 === 1 ? p[i - 1] * s + p[i] * c : p[i],
    );
    return { positions, triangles };
  },
  subdivided,
  'jittered by 1e-5': ({ positions, triangles }) => ({
    positions: positions.map((mm, i) => mm + 1e-5 * Math.sin(12.9898 * i)),
    triangles,
  }),
  moved: ({ positions, triangles }) => ({
    positions: positions.map((mm, i) => mm + [31.7, -12.3, 0][i % 3]),
    triangles,
  }),
  'with its triangles in another order': ({ positions, triangles }) => {
    const count = triangles.length / 3;
    // A step that shares no divisor with the count visits each once.
    let step = Math.floor(count * 0.618);
    while (divisor(step, count) > 1) step++;
    return { positions, triangles: triangles.map((_, i) => triangles[3 * ((Math.floor(i / 3) * step) % count) + (((i % 3) + 1) % 3)]) }; // oxfmt-ignore
  },
  'scaled there and back': ({ positions, triangles }) => ({
    positions: positions.map((mm) => Math.fround(Math.fround(mm * 25.4) / 25.4)),
    triangles,
  }),
};

function divisor(a: number, b: number): number {
  return b === 0 ? a : divisor(b, a % b);
}
