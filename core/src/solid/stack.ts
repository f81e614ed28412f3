import type { Manifold } from 'manifold-3d';
import type { Region } from '../plane/index.ts';
import type { Level } from '../recipe/index.ts';
import { ContourMesh } from './contourMesh.ts';
import { onGrid, regionOnGrid } from './grid.ts';
import type { Kernel } from './kernel.ts';
import type { RegionMath } from './regionMath.ts';
import type { Scope } from './scope.ts';

/**
 * A body whose section at each level is the region grown by what the level says, and which runs straight from each
 * level to the next. Chamfers, fillets, tapers and plain prisms are all such stacks.
 *
 * Between two sections of different size the surface is the ring between their outlines, triangulated in the plane with
 * the corners of both and no others, and lifted. Seen from above it covers every point once, so that it cannot cross
 * itself, and every edge of an outline is shared by exactly what lies above and below it, so that it is closed. Something of the
 * region must be left at every level.
 */
export function stackOf(
  kernel: Kernel,
  scope: Scope,
  math: RegionMath,
  region: Region,
  levels: readonly Level[],
): Manifold {
  const base = regionOnGrid(region);
  const isPrism = levels.every(({ growMm }) => growMm === 0);
  const [first, last] = [levels[0], levels[levels.length - 1]];
  if (isPrism) {
    const section = scope.keep(kernel.CrossSection.ofPolygons(base, 'NonZero'));
    const height = onGrid(last.atMm) - onGrid(first.atMm);
    const raised = scope.keep(kernel.Manifold.extrude(section, height));
    return scope.keep(raised.translate([0, 0, onGrid(first.atMm)]));
  }

  // The outlines as the kernel sees them: sorted out, material counter-clockwise and openings clockwise.
  const clean = regionOnGrid(math.joined([base]));
  const sections = new Map<number, Region>();
  const sectionOf = (growMm: number): Region => {
    const grow = onGrid(growMm);
    let section = sections.get(grow);
    if (!section) {
      section = grow === 0 ? clean : regionOnGrid(math.grown(clean, grow, 'sharp'));
      sections.set(grow, section);
    }
    return section;
  };

  const mesh = new ContourMesh();
  const bottom = mesh.add(sectionOf(first.growMm), first.atMm);
  let below = bottom;
  for (const { atMm, growMm } of levels.slice(1)) {
    const above = mesh.add(sectionOf(growMm), atMm);
    if (above.region === below.region) mesh.walls(below, above);
    else mesh.ring(kernel, below, above);
    below = above;
  }
  mesh.caps(kernel, bottom, below);
  return scope.keep(
    new kernel.Manifold(
      new kernel.Mesh({
        numProp: 3,
        vertProperties: Float32Array.from(mesh.positions),
        triVerts: Uint32Array.from(mesh.triangles),
      }),
    ),
  );
}
