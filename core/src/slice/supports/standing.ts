import type { Area } from '../../solid/index.ts';
import type { LayerSection } from './hangingAreas.ts';

/** What shares less with what is below it does not stand on that, mm². */
const LEAST_MM2 = 0.3;

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
    const pieces = area.pieces();
    const held = pieces.filter((piece) =>
      [below, part].some((under) => under && piece.and(under).mm2() >= Math.min(LEAST_MM2, piece.mm2() / 2)),
    );
    const isWhole = held.length === pieces.length;
    kept.push(isWhole ? area : held.length > 0 ? held.reduce((all, piece) => all.with(piece)) : undefined);
  }
  return kept;
}
