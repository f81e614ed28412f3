import { readySeconds } from './estimate.ts';
import { parkedMm } from './gcode/parking.ts';
import { changeSeconds, colourOf } from './layers/colours.ts';
import { inTurn, movesOfLayer } from './motion/motion.ts';
import { MovementTime } from './motion/movementTime.ts';
import { liesOnPlate, type Toolpath } from './paths/toolpath.ts';
import type { PrintSettings } from './settings/printSettings.ts';

/** When what is laid, in seconds since the printer began to warm up. */
export interface PrintClock {
  /** When the nozzle begins each layer, after the change of filament where there is one. */
  readonly layerStartsS: Float64Array;
  /** When each line of each layer is done. */
  readonly lineEndsS: readonly Float64Array[];
  /** When the print is over: what {@link estimate} says that it takes. */
  readonly endS: number;
}

/** How far a print has come. */
export interface Progress {
  /** The layer that is being laid, counted from 0. */
  readonly layer: number;
  /** How many of its lines are done. */
  readonly lines: number;
  /** How much of the next line is laid, 0 to 1. */
  readonly share: number;
}

/** Tells when each line of a toolpath is laid. */
export function printClock(toolpath: Toolpath, settings: PrintSettings): PrintClock {
  const { layers } = toolpath;
  const time = new MovementTime(settings);
  const layerStartsS = new Float64Array(layers.length);
  const lineEndsS = layers.map(({ paths }) => new Float64Array(paths.length));
  let standingS = readySeconds(settings);
  let colour = 0;
  let zMm = 0;
  let at: readonly [number, number] | undefined;
  for (const [index, layer, past] of inTurn(toolpath, settings)) {
    const ends = lineEndsS[index];
    if (layer.paths.length > 0) {
      time.rise(layer.zMm - zMm);
      zMm = layer.zMm;
      const loaded = colourOf(layer, settings);
      while (colour < loaded) standingS += changeSeconds(++colour, settings);
    }
    // What the nozzle has waited until this layer; it is known now, and later when the marks are told.
    const beforeS = standingS;
    layerStartsS[index] = beforeS + time.seconds;
    let line = 0;
    const mark = (done: number) => time.mark((seconds) => (ends[done] = beforeS + seconds));
    for (const move of movesOfLayer(layer, liesOnPlate(layer), settings, at, past)) {
      if (move.line !== line) mark(line);
      line = move.line;
      time.add(move);
      at = move.to;
    }
    if (ends.length > 0) mark(ends.length - 1);
  }
  time.rise(parkedMm(toolpath, settings) - zMm);
  return { layerStartsS, lineEndsS, endS: standingS + time.seconds };
}

/** How far a print has come after so many seconds. Along one line it is told as if the nozzle moved evenly. */
export function progressAt({ layerStartsS, lineEndsS }: PrintClock, seconds: number): Progress {
  const layer = Math.max(0, firstWhere(layerStartsS, (startS) => startS > seconds) - 1);
  const ends = lineEndsS[layer] ?? new Float64Array();
  const lines = firstWhere(ends, (endS) => endS > seconds);
  if (lines === ends.length) return { layer, lines, share: 0 };
  const fromS = lines === 0 ? layerStartsS[layer] : ends[lines - 1];
  return { layer, lines, share: Math.max(0, (seconds - fromS) / (ends[lines] - fromS)) };
}

/** When a layer is whole, s. */
export function layerEndS({ layerStartsS, lineEndsS }: PrintClock, layer: number): number {
  return lineEndsS[layer]?.at(-1) ?? layerStartsS[layer] ?? 0;
}

/** The first place in a list that grows for which something is so; the list's length where it is so for none. */
function firstWhere(values: Float64Array, isSo: (value: number) => boolean): number {
  let [low, high] = [0, values.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (isSo(values[middle])) high = middle;
    else low = middle + 1;
  }
  return low;
}
