import type { SolidMesh } from '../mesh/index.ts';
import { centred, signedAreaOf, type Region } from '../plane/index.ts';
import { inScope, Sections, type Kernel } from '../solid/index.ts';

/** A corner of a footprint that strays no further than this from the line between its neighbours is left out. */
const STRAIGHT_MM = 0.05;

/**
 * What a part covers of the plate, seen from above, with the middle of its box at the origin. Nothing is laid into its
 * openings, so they are left out.
 *
 * @param aroundMm how far what is printed with it reaches beyond it, as supports do
 *
 * Throws an error with a plain sentence if the mesh is not a solid.
 */
export function footprintOf(kernel: Kernel, mesh: SolidMesh, aroundMm = 0): Region {
  return inScope((scope) => {
    const shadow = new Sections(kernel, scope, mesh).shadow(scope);
    const covered = aroundMm > 0 ? shadow.grown(aroundMm) : shadow;
    const outside = covered
      .simplified(STRAIGHT_MM)
      .outlines()
      .filter((outline) => signedAreaOf(outline) > 0);
    return centred(outside.map((outline) => outline.map(([x, y]) => [round(x), round(y)])));
  });
}

/** A hundredth of a millimetre is far finer than parts are laid, and keeps what is stored short. */
function round(mm: number): number {
  return Math.round(mm * 100) / 100;
}
