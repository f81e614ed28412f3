import type { Manifold } from 'manifold-3d';
import type { SolidMesh } from '../mesh/index.ts';
import type { Kernel } from './kernel.ts';
import type { Scope } from './scope.ts';

/**
 * Copies a kernel solid into a plain mesh. `stepOfOriginal` says which step made each of the kernel's originals: the
 * kernel remembers for every triangle, through all later unions and cuts, which original its surface came from.
 */
export function toMesh(solid: Manifold, stepOfOriginal?: ReadonlyMap<number, number>): SolidMesh {
  const { numProp, vertProperties, triVerts, runIndex, runOriginalID } = solid.getMesh();
  let positions = vertProperties;
  if (numProp !== 3) {
    positions = new Float32Array((vertProperties.length / numProp) * 3);
    for (let v = 0; v < vertProperties.length / numProp; v++) {
      positions.set(vertProperties.subarray(v * numProp, v * numProp + 3), 3 * v);
    }
  }
  if (!stepOfOriginal) return { positions, triangles: triVerts };
  const stepOf = new Uint16Array(triVerts.length / 3);
  for (let run = 0; run < runOriginalID.length; run++) {
    const step = stepOfOriginal.get(runOriginalID[run]) ?? 0;
    stepOf.fill(step, runIndex[run] / 3, runIndex[run + 1] / 3);
  }
  return { positions, triangles: triVerts, stepOf };
}

/**
 * Takes a closed mesh into the kernel for the length of a scope.
 * Throws an error with a plain sentence if it is not a solid the kernel accepts.
 */
export function fromMesh(kernel: Kernel, scope: Scope, { positions, triangles }: SolidMesh): Manifold {
  const mesh = new kernel.Mesh({ numProp: 3, vertProperties: positions, triVerts: triangles });
  try {
    return scope.keep(new kernel.Manifold(mesh));
  } catch (error) {
    throw new Error(
      'The surface is not that of a solid: it has gaps, or triangles that face the wrong way.',
      {
        cause: error,
      },
    );
  }
}
