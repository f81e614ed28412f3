import type { SolidMesh } from '@kelbrin/core/mesh';
import { everydaySettings } from '@kelbrin/core/slice';
import type { Workshop } from '@kelbrin/core/solid';

/** A reference for all that looks at layers: the kernel's cross-sections of every layer, and nothing done with them. */
export function bareSections({ kernel }: Workshop, mesh: SolidMesh): void {
  const solid = new kernel.Manifold(
    new kernel.Mesh({ numProp: 3, vertProperties: mesh.positions, triVerts: mesh.triangles }),
  );
  const height = solid.boundingBox().max[2];
  for (let z = everydaySettings.layerMm / 2; z < height; z += everydaySettings.layerMm) {
    const section = solid.slice(z);
    section.toPolygons();
    section.delete();
  }
  solid.delete();
}
