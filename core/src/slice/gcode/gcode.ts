import {
  choosesFilament,
  inPlainAscii,
  ordinaryDialect,
  reachOf,
  writtenCode,
  type CodeValues,
  type MachineSheet,
} from '../../machine/index.ts';
import { changesByItself, colourOf } from '../layers/colours.ts';
import { movesOf } from '../motion/motion.ts';
import { liesOnPlate, type Toolpath } from '../paths/toolpath.ts';
import type { PrintSettings } from '../settings/printSettings.ts';
import { CodeWriter, decimals, feed } from './codeWriter.ts';
import { parkedMm } from './parking.ts';
import { pictureLines } from './pictureLines.ts';

/** A printer of a model that has a sheet, and what its own G-code may say of this print. */
export interface PrintedOn {
  readonly sheet: MachineSheet;
  readonly printer: string;
  readonly batch: string;
}

/** What a print takes, as its printer's own code may say. */
export interface Takes {
  readonly seconds: number;
  readonly grams: number;
}

/** Where on the plate a part goes, and what is noted at the head of the file. */
export interface GcodeOptions {
  /** Added to the part's x and y, counted from the front left corner of the plate. */
  readonly offsetMm: readonly [number, number];
  /** Lines for people, written as comments. */
  readonly notes?: readonly string[];
  /** The printer it is for; left out, what most printers understand is written. */
  readonly on?: PrintedOn & {
    readonly takes: Takes;
    /** A PNG of what is printed, for printers that show it. */
    readonly picture?: Uint8Array;
  };
}

/** How far filament is drawn back at the end, so that nothing oozes onto the part. */
const END_RETRACT_MM = 2;

/** What is written around a print, and where a person or the printer itself changes the filament. */
interface Around {
  readonly before: readonly string[];
  colourChange(zMm: number): readonly string[];
  filamentChange(zMm: number, place: number): readonly string[];
  readonly after: readonly string[];
}

/**
 * Writes a toolpath as G-code in millimetres with absolute positions: by the sheet of a printer, in its dialect and with its
 * own code around the print; or else with relative filament, heated first and turned off at the end, see {@link ending}.
 */
export function writeGcode(
  toolpath: Toolpath,
  settings: PrintSettings,
  { offsetMm, notes = [], on }: GcodeOptions,
): string {
  const reach = on ? reachOf(on.sheet) : { x: [0], y: [0] };
  const [ox, oy] = [offsetMm[0] + reach.x[0], offsetMm[1] + reach.y[0]];
  const around = on ? sheetCode(on, toolpath, settings) : ordinaryCode(toolpath, settings);
  const writer = new CodeWriter(on?.sheet.dialect ?? ordinaryDialect, settings);
  writer.add(
    ...notes.map((note) => `; ${inPlainAscii(note)}`),
    ...(on?.picture && on.sheet.dialect.showsThumbnails ? pictureLines(on.picture) : []),
    'G21',
    'G90',
    'M83',
    'M107',
    ...around.before,
  );
  if (on) {
    writer.tellLimits();
    writer.countAnew();
  }
  let current: number | undefined;
  let colour = 0;
  let zMm = 0;
  /** The layer of the part that is printed which lies on the plate. */
  let lowest = 0;
  for (const { layer, move } of movesOf(toolpath, settings)) {
    if (layer !== current) {
      writer.layer(layer + 1, toolpath.layers.length);
      if (liesOnPlate(toolpath.layers[layer])) lowest = layer;
      // On its way to another part it rises first, and comes down there.
      if (move.zMm >= zMm) writer.rise(move.zMm);
      zMm = move.zMm;
      const wanted = colourOf(toolpath.layers[layer], settings);
      while (colour < wanted) {
        if (changesByItself(++colour, settings)) {
          writer.own(around.filamentChange(move.zMm, settings.colourPlaces[colour]));
          // Wherever its code has left the nozzle, it comes back from above.
          writer.travel([move.from[0] + ox, move.from[1] + oy]);
          writer.rise(move.zMm);
        }
        // The printer parks, waits for a person and goes on when told to.
        else writer.own(around.colourChange(move.zMm));
      }
      current = layer;
    }
    const to = [move.to[0] + ox, move.to[1] + oy] as const;
    if (move.filamentMm > 0) {
      writer.fan(
        layer - lowest < settings.stillLayers ? 0 : move.isSpan ? settings.spanFanShare : settings.fanShare,
      );
      const from = [move.from[0] + ox, move.from[1] + oy] as const;
      writer.print(from, to, move.filamentMm, move.speedMmPerS, move.accelerationMmPerS2);
    } else {
      if (move.retracted) {
        writer.draw('back');
        if (move.rise) writer.rise(move.rise.overMm);
      }
      writer.travel(to);
      if (move.retracted) {
        if (move.rise) writer.rise(move.zMm);
        writer.draw('forward');
      }
    }
  }
  writer.add('M107');
  if (on?.sheet.dialect.filament === 'absolute') writer.add('M83');
  writer.add(...around.after, '');
  return writer.text();
}

/** The code of a sheet with all that it names put in. */
function sheetCode(
  { sheet, printer, batch, takes }: NonNullable<GcodeOptions['on']>,
  toolpath: Toolpath,
  settings: PrintSettings,
): Around {
  const values: CodeValues = {
    nozzleC: settings.nozzleC,
    plateC: settings.bedC,
    chamberC: settings.chamberC,
    widthMm: settings.plateMm[0],
    depthMm: settings.plateMm[1],
    heightMm: settings.heightMm,
    topMm: toolpath.layers.at(-1)?.zMm ?? 0,
    zMm: 0,
    layerMm: settings.layerMm,
    nozzleMm: sheet.nozzlesMm[0],
    filamentMm: settings.filamentDiameterMm,
    filament: settings.colourPlaces[0] ?? 0,
    layers: toolpath.layers.length,
    minutes: Math.ceil(takes.seconds / 60),
    grams: decimals(takes.grams, 3),
    batch,
    printer,
  };
  const { before, after, colourChange, filamentChange } = sheet.code;
  // A print before may have left another filament in the nozzle.
  const isUnsaid = settings.colourPlaces.length > 0 && !choosesFilament(before);
  const first = values.filament === 0 ? 'T0' : filamentChange;
  return {
    before: [...writtenCode(before, values), ...(isUnsaid ? writtenCode(first, values) : [])],
    filamentChange: (zMm, filament) => writtenCode(filamentChange, { ...values, zMm, filament }),
    colourChange: (zMm) => writtenCode(colourChange, { ...values, zMm }),
    after: writtenCode(after, values),
  };
}

function ordinaryCode(toolpath: Toolpath, settings: PrintSettings): Around {
  return {
    before: [
      `M140 S${settings.bedC}`,
      `M104 S${settings.nozzleC}`,
      `M190 S${settings.bedC}`,
      `M109 S${settings.nozzleC}`,
      // How fast speeds may change: travelling, and drawing filament back; printing says so as it comes.
      `M204 T${settings.travelMmPerS2} R${settings.retractMmPerS2}`,
      `M205 J${settings.cornerDeviationMm}`,
      'G28',
      'G92 E0',
    ],
    colourChange: () => ['M600'],
    filamentChange: () => ['M600'],
    after: ending(toolpath, settings),
  };
}

/**
 * The end of every print: the filament is drawn back, the nozzle rises from the part and only then moves to the left edge,
 * the plate comes forward to be cleared, and last of all heaters and motors go off.
 */
function ending(toolpath: Toolpath, settings: PrintSettings): string[] {
  return [
    `G1 E-${END_RETRACT_MM} F${feed(settings.retractMmPerS)}`,
    `G0 Z${decimals(parkedMm(toolpath, settings), 3)} F${feed(settings.liftMmPerS)}`,
    `G0 X0 Y${settings.plateMm[1]} F${feed(settings.travelMmPerS)}`,
    'M400',
    'M104 S0',
    'M140 S0',
    'M84',
  ];
}
