import type { SolidMesh } from '../mesh/index.ts';
import { mapped, reversed, thinWalls, type Point, type Region } from '../plane/index.ts';
import type { Axis } from '../recipe/index.ts';
import { Sections } from './area.ts';
import type { Kernel } from './kernel.ts';
import { RegionMath } from './regionMath.ts';
import { inScope } from './scope.ts';

/** A plane that a part is cut at: across an axis, at a place along it. */
export interface Cut {
  readonly across: Axis;
  readonly atMm: number;
}

/**
 * A section as it is drawn. Of a level one, x and y are the part's, and it is said what of what is solid has nothing under
 * it, and where it is too thin. An upright one is seen from the front or from the right: the second number is the height.
 */
export interface SectionView {
  readonly cut: Cut;
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

/** The section of a solid that stands on the plate, where it is cut. Throws a plain sentence if the mesh is not closed. */
export function sectionView(
  kernel: Kernel,
  mesh: SolidMesh,
  cut: Cut,
  { layerMm, maxOverhangDeg, minWallMm }: SectionLimits,
): SectionView {
  const region = sectionOf(kernel, mesh, cut);
  if (cut.across !== 'z') return { cut, region, hanging: [], thin: [] };
  const zMm = cut.atMm;
  const math = new RegionMath(kernel);
  const below = () => sectionOf(kernel, mesh, { across: 'z', atMm: zMm - layerMm });
  // Each layer may reach out over the one below by as much as the steepest wall does.
  const reachMm = layerMm * Math.tan((Math.min(maxOverhangDeg, 80) * Math.PI) / 180) + SLIVER_MM;
  const isFirst = zMm <= layerMm;
  const held = isFirst ? region : math.grown(below(), reachMm, 'round');
  return {
    cut,
    region,
    hanging: isFirst || region.length === 0 ? [] : math.without(region, held),
    thin: thinWalls(region, minWallMm).map(({ at: from, across: to, widthMm }) => ({
      from,
      to,
      mm: widthMm,
    })),
  };
}

/** The outlines of what is solid where a part is cut. Throws a plain sentence if the mesh is not closed. */
export function sectionOf(kernel: Kernel, mesh: SolidMesh, { across, atMm }: Cut): Region {
  const region = inScope((scope) =>
    new Sections(kernel, scope, laidDown(mesh, across)).at(scope, atMm).outlines(),
  );
  // Cut across y, heights come first, and the section is seen from behind.
  return across === 'y' ? reversed(mapped(region, ([z, x]) => [x, z])) : region;
}

/** The mesh turned so that an axis stands up; the next two of x, y, z, x, y lie where x and y were. */
function laidDown(mesh: SolidMesh, up: Axis): SolidMesh {
  if (up === 'z') return mesh;
  const [first, second, third] = up === 'x' ? [1, 2, 0] : [2, 0, 1];
  const positions = mesh.positions.slice();
  for (let i = 0; i < positions.length; i += 3) {
    positions[i] = mesh.positions[i + first];
    positions[i + 1] = mesh.positions[i + second];
    positions[i + 2] = mesh.positions[i + third];
  }
  return { ...mesh, positions };
}
