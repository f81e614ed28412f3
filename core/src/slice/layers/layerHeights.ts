import type { PrintSettings } from '../settings/printSettings.ts';
import type { Layer } from '../paths/toolpath.ts';

/** What is left above the last whole layer becomes a layer of its own from this share of one on, and else part of it. */
const OWN_LAYER = 0.3;
/** A part lower than this share of its first layer is not printed at all. */
const LEAST_FIRST = 0.5;
/** The rounding of coordinates, as a share of a layer, must not decide. */
const SAME_SHARE = 1e-3;

/**
 * The layers that a part of the given height is made of, from the plate upwards. The last one ends where the part does,
 * so that it is a little thinner or thicker than the others; none for a part that is lower than plastic can be laid.
 */
export function layerHeights(
  heightMm: number,
  { layerMm, firstLayerMm }: Pick<PrintSettings, 'layerMm' | 'firstLayerMm'>,
): Pick<Layer, 'zMm' | 'thickMm'>[] {
  if (heightMm < LEAST_FIRST * firstLayerMm) return [];
  const above = Math.max(0, Math.floor((heightMm - firstLayerMm) / layerMm + 1 - OWN_LAYER + SAME_SHARE));
  return Array.from({ length: above + 1 }, (_, i) => {
    const bottomMm = i === 0 ? 0 : firstLayerMm + (i - 1) * layerMm;
    const zMm = i === above ? heightMm : firstLayerMm + i * layerMm;
    return { zMm, thickMm: zMm - bottomMm };
  });
}
