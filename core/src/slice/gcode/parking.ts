import type { PrintSettings } from '../settings/printSettings.ts';
import type { Toolpath } from '../paths/toolpath.ts';

/** How far the nozzle rises from a finished part, where the printer is high enough. */
const ABOVE_PART_MM = 10;

/** The height at which the nozzle is parked when a print is done; never below the top of the part. */
export function parkedMm({ layers }: Toolpath, { heightMm }: Pick<PrintSettings, 'heightMm'>): number {
  const topMm = layers.at(-1)?.zMm ?? 0;
  return Math.max(topMm, Math.min(topMm + ABOVE_PART_MM, heightMm));
}
