import { movesOfLayer } from './motion.ts';
import { MovementTime } from './movementTime.ts';
import type { PrintSettings } from '../settings/printSettings.ts';
import { liesOnPlate, type Layer } from '../paths/toolpath.ts';

/**
 * A layer with the share of full speed at which it is printed, so that it takes the least time that layers shall take.
 * One that lies on the plate is slow already.
 */
export function paced(layer: Omit<Layer, 'pace'>, settings: PrintSettings): Layer {
  const full: Layer = { ...layer, pace: 1 };
  if (liesOnPlate(layer) || settings.minLayerS === 0) return full;
  const time = new MovementTime(settings);
  for (const move of movesOfLayer(full, false, settings)) time.add(move);
  return { ...full, pace: Math.min(1, time.seconds / settings.minLayerS) };
}
