import { boundsOf, type SolidMesh } from '../mesh/index.ts';
import { inScope, Sections, type Area, type Kernel, type Scope } from '../solid/index.ts';
import { fillLines } from './fillLines.ts';
import { inOrderOfTravel } from './order.ts';
import type { PrintSettings } from './printSettings.ts';
import type { Layer, Path, Toolpath } from './toolpath.ts';

/**
 * Slices a closed solid that stands on the plate into toolpaths: lines along every outline of each layer's true
 * cross-section, solid fill where a surface is seen from above or below, and sparse fill inside.
 *
 * Throws an error with a plain sentence if the mesh is not a solid.
 */
export function slice(kernel: Kernel, mesh: SolidMesh, settings: PrintSettings): Toolpath {
  return inScope((scope) => {
    const solid = new Sections(kernel, scope, mesh);
    const heights = layerHeights(boundsOf(mesh).max[2], settings);
    const sections = heights.map(({ zMm, thickMm }) => solid.at(scope, zMm - thickMm / 2));
    const layers = heights.map((height, index): Layer => ({
      ...height,
      paths: inScope((inner) => layerPaths(inner, sections, index, settings)),
    }));
    return { layers };
  });
}

/** The layers that a part of the given height is made of; a last sliver of less than half a layer is left out. */
function layerHeights(heightMm: number, { layerMm, firstLayerMm }: PrintSettings): Omit<Layer, 'paths'>[] {
  const above = Math.max(0, Math.round((heightMm - firstLayerMm) / layerMm));
  return Array.from({ length: above + 1 }, (_, i) => ({
    zMm: firstLayerMm + i * layerMm,
    thickMm: i === 0 ? firstLayerMm : layerMm,
  }));
}

function layerPaths(scope: Scope, sections: readonly Area[], index: number, settings: PrintSettings): Path[] {
  const { lineWidthMm, perimeters, infillShare } = settings;
  const section = sections[index].in(scope);
  const paths: Path[] = [];
  for (let ring = 0; ring < perimeters; ring++) {
    const line = section.grown(-lineWidthMm * (ring + 0.5)).simplified(0.01);
    if (line.isEmpty()) break;
    for (const points of line.outlines()) paths.unshift({ role: 'perimeter', points, closed: true });
  }
  // Fill reaches a little under the innermost line, so that the two bond.
  const inside = section.grown(-lineWidthMm * (perimeters - 0.15));
  if (inside.isEmpty()) return inOrderOfTravel(paths);

  const covered = coveredBothWays(scope, sections, index, settings.solidLayers);
  const solid = covered ? inside.without(covered) : inside;
  const sparse = covered ? inside.and(covered) : undefined;
  const angleDeg = index % 2 === 0 ? 45 : 135;
  const fills = [...fillLines(solid.outlines(), angleDeg, lineWidthMm, 'solid')];
  if (sparse && infillShare > 0) {
    fills.push(...fillLines(sparse.outlines(), angleDeg, lineWidthMm / infillShare, 'infill'));
  }
  return [...inOrderOfTravel(paths), ...inOrderOfTravel(fills)];
}

/** The area that has material in all of the next layers above and below; undefined near the top and the bottom. */
function coveredBothWays(
  scope: Scope,
  sections: readonly Area[],
  index: number,
  by: number,
): Area | undefined {
  if (index - by < 0 || index + by >= sections.length) return undefined;
  let covered = sections[index].in(scope);
  for (let i = index - by; i <= index + by; i++) if (i !== index) covered = covered.and(sections[i]);
  return covered;
}
