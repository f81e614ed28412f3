import { changesByItself, changeSeconds, COLOUR_CHANGE_S, colourOf } from './layers/colours.ts';
import { movesOf } from './motion/motion.ts';
import { MovementTime } from './motion/movementTime.ts';
import { parkedMm } from './gcode/parking.ts';
import type { Estimate } from './printEstimate.ts';
import type { PrintSettings } from './settings/printSettings.ts';
import type { Toolpath } from './paths/toolpath.ts';

/** How fast a classroom printer warms up, °C a second, and the room it starts from. */
const NOZZLE_C_PER_S = 2.5;
const BED_C_PER_S = 1;
const ROOM_C = 20;

/** How long a printer takes before it prints, s: warming up, the nozzle and the bed at once, and levelling. */
export function readySeconds({
  nozzleC,
  bedC,
  readyS,
}: Pick<PrintSettings, 'nozzleC' | 'bedC' | 'readyS'>): number {
  return readyS + Math.max((nozzleC - ROOM_C) / NOZZLE_C_PER_S, (bedC - ROOM_C) / BED_C_PER_S, 0);
}

/**
 * What several copies of a part take on one plate, told from what one takes: the printer warms up once, and a colour is
 * changed once for all. The ways between copies are left out, and so is that small layers need not wait for themselves.
 */
export function estimateCopies(
  one: Pick<Estimate, 'seconds' | 'grams' | 'colourGrams'>,
  copies: number,
  settings: Pick<PrintSettings, 'nozzleC' | 'bedC' | 'readyS'>,
): { seconds: number; grams: number } {
  const once = readySeconds(settings) + (one.colourGrams.length - 1) * COLOUR_CHANGE_S;
  return { seconds: once + copies * (one.seconds - once), grams: copies * one.grams };
}

/**
 * What a toolpath takes: its moves with their accelerations and corners, heating before them, and the filament that is
 * pushed.
 */
export function estimate(toolpath: Toolpath, settings: PrintSettings): Estimate {
  const whole = estimateAll(toolpath, settings);
  const bare = withoutSupports(toolpath);
  if (!bare) return whole;
  const without = estimateAll(bare, settings);
  return {
    ...whole,
    supports: {
      seconds: Math.max(0, whole.seconds - without.seconds),
      grams: whole.grams - without.grams,
    },
  };
}

/** A toolpath without its supports; undefined if it has none. */
function withoutSupports({ layers }: Toolpath): Toolpath | undefined {
  let hasSome = false;
  const bare = layers.map((layer) => {
    const paths = layer.paths.filter(({ role }) => role !== 'support');
    hasSome ||= paths.length < layer.paths.length;
    return { ...layer, paths };
  });
  return hasSome ? { layers: bare } : undefined;
}

function estimateAll(toolpath: Toolpath, settings: PrintSettings): Estimate {
  const time = new MovementTime(settings);
  const lengthsMm: number[] = [0];
  let zMm = 0;
  for (const { layer, move } of movesOf(toolpath, settings)) {
    if (move.zMm !== zMm) time.rise(move.zMm - zMm);
    zMm = move.zMm;
    time.add(move);
    const colour = colourOf(toolpath.layers[layer], settings);
    lengthsMm[colour] = (lengthsMm[colour] ?? 0) + move.filamentMm;
  }
  time.rise(parkedMm(toolpath, settings) - zMm);
  const gramsPerMm = ((Math.PI * settings.filamentDiameterMm ** 2) / 4 / 1000) * settings.filamentGramsPerCm3;
  // A change above the top is none.
  const changes = lengthsMm.map((_, colour) => colour).slice(1);
  for (const colour of changes)
    if (changesByItself(colour, settings)) lengthsMm[colour] = (lengthsMm[colour] ?? 0) + settings.purgeMm;
  const filamentMm = lengthsMm.reduce((sum, each) => sum + (each ?? 0), 0);
  return {
    seconds:
      readySeconds(settings) +
      time.seconds +
      changes.reduce((sum, colour) => sum + changeSeconds(colour, settings), 0),
    filamentMm,
    grams: filamentMm * gramsPerMm,
    colourGrams: lengthsMm.map((each) => (each ?? 0) * gramsPerMm),
    layers: toolpath.layers.length,
  };
}
