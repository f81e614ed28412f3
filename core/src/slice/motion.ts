import type { PrintSettings } from './printSettings.ts';
import type { Path, Toolpath } from './toolpath.ts';

/** One straight move of the nozzle. */
export interface Move {
  readonly to: readonly [number, number];
  readonly zMm: number;
  readonly lengthMm: number;
  readonly speedMmPerS: number;
  /** Filament pushed during the move, mm; 0 while travelling. */
  readonly filamentMm: number;
  /** Whether the filament is drawn back before and pushed forward after the move, so that it does not ooze. */
  readonly retracted: boolean;
}

/** Travels shorter than this do not ooze enough to be worth drawing the filament back. */
const RETRACT_ABOVE_MM = 2;

/** Goes through a toolpath move by move, in the order of printing, starting above the first point. */
export function* movesOf(
  toolpath: Toolpath,
  settings: PrintSettings,
): Generator<{ layer: number; move: Move }> {
  const filamentArea = (Math.PI * settings.filamentDiameterMm ** 2) / 4;
  let at: readonly [number, number] | undefined;
  for (const [layer, { zMm, thickMm, paths }] of toolpath.layers.entries()) {
    const filamentPerMm = (settings.lineWidthMm * thickMm) / filamentArea;
    for (const path of paths) {
      const [start, ...rest] = path.points;
      const travel = at ? Math.hypot(start[0] - at[0], start[1] - at[1]) : 0;
      yield {
        layer,
        move: {
          to: start,
          zMm,
          lengthMm: travel,
          speedMmPerS: settings.travelMmPerS,
          filamentMm: 0,
          retracted: travel > RETRACT_ABOVE_MM,
        },
      };
      at = start;
      const speedMmPerS = speedOf(path, layer, settings);
      for (const to of path.closed ? [...rest, start] : rest) {
        const lengthMm = Math.hypot(to[0] - at[0], to[1] - at[1]);
        const filamentMm = lengthMm * filamentPerMm;
        yield { layer, move: { to, zMm, lengthMm, speedMmPerS, filamentMm, retracted: false } };
        at = to;
      }
    }
  }
}

function speedOf({ role }: Path, layer: number, settings: PrintSettings): number {
  if (layer === 0) return settings.firstLayerMmPerS;
  return role === 'perimeter' ? settings.perimeterMmPerS : settings.infillMmPerS;
}
