import { movesOf } from './motion.ts';
import type { PrintSettings } from './printSettings.ts';
import type { Toolpath } from './toolpath.ts';

/** What a print takes. */
export interface Estimate {
  readonly seconds: number;
  readonly filamentMm: number;
  readonly grams: number;
  readonly layers: number;
}

/** How fast a classroom printer warms up, °C a second, and the room it starts from. */
const NOZZLE_C_PER_S = 2.5;
const BED_C_PER_S = 1;
const ROOM_C = 20;

/** Adds up the moves of a toolpath at their set speeds, with heating before them. */
export function estimate(toolpath: Toolpath, settings: PrintSettings): Estimate {
  const heating = Math.max(
    (settings.nozzleC - ROOM_C) / NOZZLE_C_PER_S,
    (settings.bedC - ROOM_C) / BED_C_PER_S,
    0,
  );
  let seconds = heating;
  let filamentMm = 0;
  for (const { move } of movesOf(toolpath, settings)) {
    seconds += move.lengthMm / move.speedMmPerS;
    if (move.retracted) seconds += (2 * settings.retractMm) / settings.retractMmPerS;
    filamentMm += move.filamentMm;
  }
  const cm3 = (filamentMm * Math.PI * settings.filamentDiameterMm ** 2) / 4 / 1000;
  return { seconds, filamentMm, grams: cm3 * settings.filamentGramsPerCm3, layers: toolpath.layers.length };
}
