import { colourOf } from '../layers/colours.ts';
import { movesOf } from '../motion/motion.ts';
import { parkedMm } from './parking.ts';
import type { PrintSettings } from '../settings/printSettings.ts';
import type { Toolpath } from '../paths/toolpath.ts';

/** Where on the plate a part goes, and what is noted at the head of the file. */
export interface GcodeOptions {
  /** Added to the part's x and y, since a plate counts from its front left corner. */
  readonly offsetMm: readonly [number, number];
  /** Lines for people, written as comments. */
  readonly notes?: readonly string[];
}

/** How far filament is drawn back at the end, so that nothing oozes onto the part. */
const END_RETRACT_MM = 2;

/**
 * Writes a toolpath as G-code in millimetres with absolute positions and relative filament.
 * The plate and nozzle are heated first and turned off at the end; see {@link ending}.
 */
export function writeGcode(
  toolpath: Toolpath,
  settings: PrintSettings,
  { offsetMm, notes = [] }: GcodeOptions,
): string {
  const [ox, oy] = offsetMm;
  const lines = notes.map((note) => `; ${plain(note)}`);
  lines.push(
    'G21',
    'G90',
    'M83',
    'M107',
    `M140 S${settings.bedC}`,
    `M104 S${settings.nozzleC}`,
    `M190 S${settings.bedC}`,
    `M109 S${settings.nozzleC}`,
    // How fast speeds may change: travelling, and drawing filament back; printing says so as it comes.
    `M204 T${settings.travelMmPerS2} R${settings.retractMmPerS2}`,
    `M205 J${settings.cornerDeviationMm}`,
    'G28',
    'G92 E0',
  );
  const travelFeed = feed(settings.travelMmPerS);
  const retractFeed = feed(settings.retractMmPerS);
  const liftFeed = feed(settings.liftMmPerS);
  let current: number | undefined;
  let colour = 0;
  let acceleration = 0;
  for (const { layer, move } of movesOf(toolpath, settings)) {
    if (layer !== current) {
      lines.push(
        `; layer ${layer + 1} of ${toolpath.layers.length}`,
        `G0 Z${decimals(move.zMm, 3)} F${liftFeed}`,
      );
      if (layer === settings.stillLayers && settings.fanShare > 0)
        lines.push(`M106 S${Math.round(255 * settings.fanShare)}`);
      const wanted = colourOf(toolpath.layers[layer], settings);
      // The printer parks, waits for a person and goes on when told to.
      for (; colour < wanted; colour++) lines.push('M600');
      current = layer;
    }
    const to = `X${decimals(move.to[0] + ox, 3)} Y${decimals(move.to[1] + oy, 3)}`;
    if (move.filamentMm > 0) {
      if (move.accelerationMmPerS2 !== acceleration) {
        acceleration = move.accelerationMmPerS2;
        lines.push(`M204 P${acceleration}`);
      }
      lines.push(`G1 ${to} E${decimals(move.filamentMm, 5)} F${feed(move.speedMmPerS)}`);
    } else {
      if (move.retracted) lines.push(`G1 E-${settings.retractMm} F${retractFeed}`);
      lines.push(`G0 ${to} F${travelFeed}`);
      if (move.retracted) lines.push(`G1 E${settings.retractMm} F${retractFeed}`);
    }
  }
  lines.push(...ending(toolpath, settings), '');
  return lines.join('\n');
}

/**
 * The end of every print: the filament is drawn back, the nozzle rises from the part and only then moves to the left edge,
 * the plate comes forward to be cleared, and last of all heaters and motors go off.
 */
function ending(toolpath: Toolpath, settings: PrintSettings): string[] {
  return [
    'M107',
    `G1 E-${END_RETRACT_MM} F${feed(settings.retractMmPerS)}`,
    `G0 Z${decimals(parkedMm(toolpath, settings), 3)} F${feed(settings.liftMmPerS)}`,
    `G0 X0 Y${settings.plateMm[1]} F${feed(settings.travelMmPerS)}`,
    'M400',
    'M104 S0',
    'M140 S0',
    'M84',
  ];
}

/** G-code counts speed in millimetres a minute. */
function feed(mmPerS: number): number {
  return Math.round(mmPerS * 60);
}

/** A number with at most so many decimals. Rounding by a factor is much faster than formatting and reading back. */
function decimals(value: number, places: 3 | 5): number {
  const factor = places === 3 ? 1e3 : 1e5;
  return Math.round(value * factor) / factor;
}

/** A comment must not end its line or leave ASCII, or a printer might read the rest as a command. */
function plain(note: string): string {
  return note
    .normalize('NFKD')
    .replace(/[^\x20-\x7e]/g, '')
    .replace(/;/g, ',');
}
