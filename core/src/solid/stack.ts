import { regionAreaOf, type Region } from '../plane/index.ts';
import type { Level } from '../recipe/index.ts';
import { flipped, triangulated, type Contour, type ContourMesh } from './contourMesh.ts';
import { onGrid, regionOnGrid } from './grid.ts';
import type { Kernel } from './kernel.ts';
import type { RegionMath } from './regionMath.ts';

/** The outlines of a body at a height, on the grid: material counter-clockwise and openings clockwise. */
export interface Section {
  readonly atMm: number;
  readonly region: Region;
}

/** The sections of a stack, from the lowest level up. Something of the region must be left at every level. */
export function sectionsOf(math: RegionMath, region: Region, levels: readonly Level[]): Section[] {
  // The outlines as the kernel sees them: sorted out, whichever way they were drawn.
  const clean = regionOnGrid(math.joined([regionOnGrid(region)]));
  const grown = new Map<number, Region>([[0, clean]]);
  return levels.map(({ atMm, growMm }) => {
    const grow = onGrid(growMm);
    const section = grown.get(grow) ?? regionOnGrid(math.grown(clean, grow, 'sharp'));
    grown.set(grow, section);
    return { atMm: onGrid(atMm), region: section };
  });
}

/**
 * Draws the sides of a body whose section at each level is given, and which runs straight from each level to the next.
 * Chamfers, fillets, tapers and plain prisms are all such stacks. Hands back the outlines of its two ends.
 *
 * Between two sections of different size the surface is the ring between their outlines, triangulated in the plane and
 * lifted. Seen from above it covers every point once, so that it cannot cross itself, and every edge of an outline is
 * shared by exactly what lies above and below it, so that it is closed.
 */
export function drawSides(
  kernel: Kernel,
  mesh: ContourMesh,
  sections: readonly Section[],
): { bottom: Contour; top: Contour } {
  const [first, ...rest] = sections;
  const bottom = mesh.add(first.region, first.atMm);
  let below = bottom;
  for (const { atMm, region } of rest) {
    const above = mesh.add(region, atMm);
    if (above.region === below.region) mesh.walls(below, above);
    else ring(kernel, mesh, below, above);
    below = above;
  }
  return { bottom, top: below };
}

/** The surface between outlines of which one lies inside the other. */
function ring(kernel: Kernel, mesh: ContourMesh, below: Contour, above: Contour): void {
  const shrinks = regionAreaOf(above.region) < regionAreaOf(below.region);
  const between = shrinks ? [below, flipped(above)] : [above, flipped(below)];
  mesh.face(between, triangulated(kernel, between), shrinks ? 'up' : 'down');
}
