import type { Area } from '../../solid/index.ts';
import type { SupportSettings } from '../settings/printSettings.ts';

/** What supports have to hold, as one of their layers sees it. */
export interface HeldLayer {
  /** Where a support begins that goes down from here. */
  readonly onto?: Area;
  /** Where it is laid densely, since it holds the part. */
  readonly dense?: Area;
}

/** Outlines of supports need not be finer, mm. */
const ROUGH_MM = 0.06;
/** A support reaches so far beyond what it holds. */
const BEYOND_MM = 0.3;
/** And so far where it holds a tip alone, since a column as thin as that would fall. */
const AROUND_TIP_MM = 1.2;
/** What is smaller is a tip, mm². */
const TIP_MM2 = 3;

/**
 * What the supports of each layer have to hold, the gap under the part left out.
 *
 * @param hanging what hangs in each layer of the part, from the plate upwards
 * @param shadow what the part covers, seen from above: hardly beyond it a support may reach
 */
export function heldLayers(
  hanging: readonly (Area | undefined)[],
  shadow: Area,
  { gapLayers, denseLayers }: SupportSettings,
): HeldLayer[] {
  const bounds = reachOf(shadow);
  const wide = hanging.map((area) => area && withBroadTips(area).and(bounds));
  return hanging.map((_, index) => {
    const first = index + gapLayers + 1;
    const above = wide.slice(first, first + Math.max(1, denseLayers)).filter((area) => area !== undefined);
    return {
      onto: wide[first],
      dense: denseLayers > 0 && above.length > 0 ? above.reduce((all, area) => all.with(area)) : undefined,
    };
  });
}

/** How far supports may reach, by what the part covers. */
export function reachOf(shadow: Area): Area {
  return shadow.grown(BEYOND_MM, 'sharp');
}

function withBroadTips(area: Area): Area {
  const grown = area.grown(BEYOND_MM, 'sharp').simplified(ROUGH_MM);
  const tips = area.pieces().filter((piece) => piece.mm2() < TIP_MM2);
  return tips.reduce((all, tip) => all.with(tip.grown(AROUND_TIP_MM)), grown);
}
