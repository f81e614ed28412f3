import type { PrintSettings } from '../settings/printSettings.ts';
import type { Layer } from '../paths/toolpath.ts';

/** Layers that begin a little under the height at which the colour changes are above it. */
const SAME_MM = 0.001;

/** Which filament a layer is printed in, counted from 0 in the order in which they are loaded. */
export function colourOf(
  { zMm, thickMm }: Pick<Layer, 'zMm' | 'thickMm'>,
  { colourChangesMm }: Pick<PrintSettings, 'colourChangesMm'>,
): number {
  return colourChangesMm.filter((heightMm) => zMm - thickMm >= heightMm - SAME_MM).length;
}
