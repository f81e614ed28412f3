import { movesOfLayer } from './motion.ts';
import { MovementTime } from './movementTime.ts';
import type { PrintSettings } from './printSettings.ts';
import type { Layer } from './toolpath.ts';

/**
 * The share of full speed at which a layer is printed, so that it takes the least time that layers shall take. The first
 * one is slow already.
 */
export function paceOf(layer: Layer, isFirst: boolean, settings: PrintSettings): number {
  if (isFirst || settings.minLayerS === 0) return 1;
  const time = new MovementTime(settings);
  for (const move of movesOfLayer(layer, isFirst, settings)) time.add(move);
  return Math.min(1, time.seconds / settings.minLayerS);
}
