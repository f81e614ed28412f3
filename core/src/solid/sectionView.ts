import type { SolidMesh } from '../mesh/index.ts';
import { thinWalls, type Point, type Region } from '../plane/index.ts';
import { Sections } from './area.ts';
import type { Kernel } from './kernel.ts';
import { RegionMath } from './regionMath.ts';
import { inScope } from './scope.ts';

/** A section as it is drawn: what is solid, what of that has nothing under it, and where it is too thin. */
export interface SectionView {
  readonly zMm: number;
  readonly region: Region;
  /** What lies over nothing, further out than a layer can reach. */
  readonly hanging: Region;
  readonly thin: readonly { readonly from: Point; readonly to: Point; readonly mm: number }[];
}

/** What of a limits card a section is held against. */
export interface SectionLimits {
  readonly layerMm: number;
  readonly maxOverhangDeg: number;
  readonly minWallMm: number;
}

/** Slivers at the edge of what is held are rounding, mm. */
const SLIVER_MM = 0.05;

/** The section of a solid that stands on the plate, at a height. Throws a plain sentence if the mesh is not closed. */
export function sectionView(
  kernel: Kernel,
  mesh: SolidMesh,
  zMm: number,
  { layerMm, maxOverhangDeg, minWallMm }: SectionLimits,
): SectionView {
  const math = new RegionMath(kernel);
  const at = (height: number) =>
    inScope((scope) => new Sections(kernel, scope, mesh).at(scope, height).outlines());
  const region = at(zMm);
  // Each layer may reach out over the one below by as much as the steepest wall does.
  const reachMm = layerMm * Math.tan((Math.min(maxOverhangDeg, 80) * Math.PI) / 180) + SLIVER_MM;
  const isFirst = zMm <= layerMm;
  const held = isFirst ? region : math.grown(at(zMm - layerMm), reachMm, 'round');
  return {
    zMm,
    region,
    hanging: isFirst || region.length === 0 ? [] : math.without(region, held),
    thin: thinWalls(region, minWallMm).map(({ at: from, across: to, widthMm }) => ({
      from,
      to,
      mm: widthMm,
    })),
  };
}
