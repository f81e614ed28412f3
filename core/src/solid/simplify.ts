import type { SolidMesh } from '../mesh/index.ts';
import type { Kernel } from './kernel.ts';
import { inScope } from './scope.ts';
import { fromMesh, toMesh } from './toMesh.ts';

/** How finely a part is written to a file, with how far its surface may stray from the one that was built, mm. */
export const detailMm = { fine: 0, normal: 0.02, coarse: 0.1 } as const;
export type Detail = keyof typeof detailMm;

/** The mesh with corners left out that stray no further than a detail allows. It stays closed. */
export function simplified(kernel: Kernel, mesh: SolidMesh, detail: Detail): SolidMesh {
  if (detailMm[detail] === 0 || mesh.triangles.length === 0) return mesh;
  return inScope((scope) => toMesh(scope.keep(fromMesh(kernel, scope, mesh).simplify(detailMm[detail]))));
}
