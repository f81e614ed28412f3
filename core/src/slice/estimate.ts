import { movesOf } from './motion.ts';
import { MovementTime } from './movementTime.ts';
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

/**
 * What a toolpath takes: its moves with their accelerations and corners, heating before them, and the filament that is
 * pushed.
 */
export function estimate(toolpath: Toolpath, settings: PrintSettings): Estimate {
  const heating = Math.max(
    (settings.nozzleC - ROOM_C) / NOZZLE_C_PER_S,
    (settings.bedC - ROOM_C) / BED_C_PER_S,
    0,
  );
  const time = new MovementTime(settings);
  let filamentMm = 0;
  let zMm = 0;
  for (const { move } of movesOf(toolpath, settings)) {
    if (move.zMm !== zMm) time.rise(move.zMm - zMm);
    zMm = move.zMm;
    time.add(move);
    filamentMm += move.filamentMm;
  }
  const cm3 = (filamentMm * Math.PI * settings.filamentDiameterMm ** 2) / 4 / 1000;
  return {
    seconds: heating + time.seconds,
    filamentMm,
    grams: cm3 * settings.filamentGramsPerCm3,
    layers: toolpath.layers.length,
  };
}
