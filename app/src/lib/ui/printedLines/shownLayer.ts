import { hangingOf, type Hanging, type Layer } from '@kelbrin/core/slice';

/** Supports end at most so many layers below what they hold. */
const MOST_GAP = 2;

/** A layer as it is looked at, with what lies under it. */
export interface ShownLayer {
  readonly index: number;
  readonly layer: Layer;
  readonly under?: Layer;
  /** The stretches of its walls that nothing holds. */
  readonly hanging: readonly Hanging[];
}

/** A layer of a print as it is looked at; undefined where there is none of that number. */
export function shownLayer(layers: readonly Layer[], index: number): ShownLayer | undefined {
  const [layer, under] = [layers[index], layers[index - 1]];
  const lower = layers.slice(Math.max(0, index - 1 - MOST_GAP), Math.max(0, index - 1));
  return layer && { index, layer, under, hanging: under ? hangingOf(layer, under, lower) : [] };
}

/** A layer of a part as it is printed: up to which height it reaches, and of how many it is one. */
export interface PrintedLayer extends ShownLayer {
  readonly zMm: number;
  readonly of: number;
}

/** The layer that is printed at a height, or the last one over it; undefined where there are none. */
export function layerAt(layers: readonly Layer[], zMm: number): PrintedLayer | undefined {
  const found = layers.findIndex((each) => each.zMm >= zMm - 1e-6);
  const shown = shownLayer(layers, found < 0 ? layers.length - 1 : found);
  return shown && { ...shown, zMm: shown.layer.zMm, of: layers.length };
}
