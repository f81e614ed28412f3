import type { PrintSettings } from '../settings/printSettings.ts';
import { liesOnPlate, type Layer, type Path, type Toolpath } from '../paths/toolpath.ts';

type Point = readonly [number, number];

/** One straight move of the nozzle. */
export interface Move {
  /** Which line of its layer it lays or leads to, counted from 0. */
  readonly line: number;
  readonly from: Point;
  readonly to: Point;
  readonly zMm: number;
  readonly lengthMm: number;
  readonly speedMmPerS: number;
  readonly accelerationMmPerS2: number;
  /** Filament pushed during the move, mm; 0 while travelling. */
  readonly filamentMm: number;
  /** Whether it lays plastic over open air. */
  readonly isSpan: boolean;
  /** Whether the filament is drawn back before and pushed forward after the move, so that it does not ooze. */
  readonly retracted: boolean;
  /** The height from which the nozzle rises before such a move, and that at which it moves; it comes down to `zMm` after it. */
  readonly rise?: Rise;
}

/** How the nozzle gets over what lies in its way, heights in mm. */
export interface Rise {
  readonly fromMm: number;
  readonly overMm: number;
}

/** On its way to the next part the nozzle keeps so far above what is printed, where the printer is high enough, mm. */
const ABOVE_PARTS_MM = 2;

/** Travels shorter than this do not ooze enough to be worth drawing the filament back. */
const RETRACT_ABOVE_MM = 2;

/** Goes through a toolpath move by move, in the order of printing, starting above the first point. */
export function* movesOf(
  toolpath: Toolpath,
  settings: PrintSettings,
): Generator<{ layer: number; move: Move }> {
  let at: Point | undefined;
  for (const [index, layer, past] of inTurn(toolpath, settings)) {
    for (const move of movesOfLayer(layer, liesOnPlate(layer), settings, at, past)) {
      yield { layer: index, move };
      at = move.to;
    }
  }
}

/** Layers with their numbers, and how the nozzle rises on its way to those that begin another part. */
export function* inTurn(
  { layers }: Toolpath,
  { heightMm }: Pick<PrintSettings, 'heightMm'>,
): Generator<[index: number, layer: Layer, past: Rise | undefined]> {
  let topMm = 0;
  for (const [index, layer] of layers.entries()) {
    const fromMm = layers[index - 1]?.zMm ?? 0;
    topMm = Math.max(topMm, fromMm);
    const overMm = Math.max(topMm, Math.min(topMm + ABOVE_PARTS_MM, heightMm));
    yield [index, layer, layer.zMm < fromMm ? { fromMm, overMm } : undefined];
  }
}

/**
 * The moves of one layer, from where the nozzle is; from above its first point if that is not known.
 *
 * @param past how the nozzle gets there, where it comes from another part
 */
export function* movesOfLayer(
  { zMm, thickMm, pace, paths }: Layer,
  isFirst: boolean,
  settings: PrintSettings,
  start?: Point,
  past?: Rise,
): Generator<Move> {
  const filamentArea = (Math.PI * settings.filamentDiameterMm ** 2) / 4;
  let at = start ?? paths[0]?.points[0];
  for (const [line, path] of paths.entries()) {
    const [first, ...rest] = path.points;
    for (const to of [...(path.way ?? []), first]) {
      const lengthMm = Math.hypot(to[0] - at[0], to[1] - at[1]);
      const isPast = past !== undefined && line === 0;
      const retracted = isPast || (path.way === undefined && lengthMm > RETRACT_ABOVE_MM);
      yield {
        line,
        from: at,
        to,
        zMm,
        lengthMm,
        speedMmPerS: settings.travelMmPerS,
        accelerationMmPerS2: settings.travelMmPerS2,
        filamentMm: 0,
        isSpan: false,
        retracted,
        rise: isPast ? past : retracted ? hopOver(zMm, settings) : undefined,
      };
      at = to;
    }
    const filamentPerMm = (settings.flow * path.widthMm * thickMm) / filamentArea;
    const { fullMmPerS, accelerationMmPerS2 } = speedOf(path, isFirst, settings);
    const speedMmPerS = Math.max(fullMmPerS * pace, Math.min(fullMmPerS, settings.slowestMmPerS));
    for (const to of path.closed ? [...rest, first] : rest) {
      const lengthMm = Math.hypot(to[0] - at[0], to[1] - at[1]);
      const filamentMm = lengthMm * filamentPerMm;
      yield {
        line,
        from: at,
        to,
        zMm,
        lengthMm,
        speedMmPerS,
        accelerationMmPerS2,
        filamentMm,
        isSpan: path.role === 'span',
        retracted: false,
      };
      at = to;
    }
  }
}

/** How the nozzle rises over what it travels above, where that is asked for. */
function hopOver(
  zMm: number,
  { hopMm, heightMm }: Pick<PrintSettings, 'hopMm' | 'heightMm'>,
): Rise | undefined {
  return hopMm > 0 ? { fromMm: zMm, overMm: Math.max(zMm, Math.min(zMm + hopMm, heightMm)) } : undefined;
}

function speedOf(
  { role }: Path,
  isFirst: boolean,
  settings: PrintSettings,
): { fullMmPerS: number; accelerationMmPerS2: number } {
  if (isFirst) {
    return { fullMmPerS: settings.firstLayerMmPerS, accelerationMmPerS2: settings.firstLayerMmPerS2 };
  }
  if (role === 'span') {
    return { fullMmPerS: settings.spanMmPerS, accelerationMmPerS2: settings.wallMmPerS2 };
  }
  return role === 'wall' || role === 'thin' || role === 'smooth'
    ? { fullMmPerS: settings.wallMmPerS, accelerationMmPerS2: settings.wallMmPerS2 }
    : { fullMmPerS: settings.infillMmPerS, accelerationMmPerS2: settings.infillMmPerS2 };
}
