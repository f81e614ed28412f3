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

/** How long a person takes to change the filament who stands by, and how long a printer takes that does it by itself. */
export const COLOUR_CHANGE_S = 120;
export const FILAMENT_CHANGE_S = 25;

type Places = Pick<PrintSettings, 'colourPlaces'>;

/** Whether the printer changes by itself to a colour from the one under it: both are on it, at places of their own. */
export function changesByItself(colour: number, { colourPlaces }: Places): boolean {
  const [from, to] = [colourPlaces[colour - 1], colourPlaces[colour]];
  return from !== undefined && to !== undefined && from !== to;
}

/** How long the print stands still until it goes on in a colour, s. */
export function changeSeconds(colour: number, settings: Places): number {
  return changesByItself(colour, settings) ? FILAMENT_CHANGE_S : COLOUR_CHANGE_S;
}
