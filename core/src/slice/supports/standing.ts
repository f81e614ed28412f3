import type { Area } from '../../solid/index.ts';
import { usable } from './columns.ts';
import type { LayerSection } from './hangingAreas.ts';

/** A line that reaches so far beyond what is below it still lies on that, mm. */
const REACH_MM = 0.4;
/** Less than this hanging is what rounding leaves, mm². */
const LEAST_MM2 = 0.05;

/**
 * Supports without what stands on nothing, as what is left of one that the part cuts off above a slope: from the plate
 * upwards only what lies over the plate, over a support or, a gap below, over the part.
 */
export function standing(
  supports: readonly (Area | undefined)[],
  layers: readonly LayerSection[],
  gapLayers: number,
): (Area | undefined)[] {
  const kept: (Area | undefined)[] = [];
  for (const [index, area] of supports.entries()) {
    const below = kept[index - 1];
    if (!area || area === below || index <= gapLayers) {
      kept.push(area);
      continue;
    }
    const part = layers[index - 1 - gapLayers].area;
    const under = (below ? part.with(below) : part).grown(REACH_MM, 'sharp');
    const held = area.and(under);
    kept.push(area.mm2() - held.mm2() < LEAST_MM2 ? area : usable(held));
  }
  return kept;
}
