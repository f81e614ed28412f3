import {
  hangingOf,
  packed,
  unpacked,
  type Hanging,
  type Layer,
  type PackedToolpath,
} from '@kelbrin/core/slice';

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
  const layer = layers[index];
  if (!layer) return undefined;
  // Of parts that are printed one after another, those before stand there whole.
  const begins = layers.slice(0, index + 1).flatMap(({ zMm }, i) => (zMm < layers[i - 1]?.zMm ? [i] : []));
  const tops = begins.map((first) => layers[first - 1]);
  const below = layers.slice(Math.max(begins.at(-1) ?? 0, index - 1 - MOST_GAP), index);
  const under = below.pop();
  return { index, layer, under: together(tops, under), hanging: under ? hangingOf(layer, under, below) : [] };
}

/** What is seen under a layer: the one below it, and what else stands there. */
function together(tops: readonly Layer[], under: Layer | undefined): Layer | undefined {
  if (tops.length === 0) return under;
  const all = under ? [...tops, under] : tops;
  return { ...all[all.length - 1], paths: all.flatMap(({ paths }) => paths) };
}

/** A layer as it is handed from one thread to another, which is much quicker than its paths one by one. */
export interface SentLayer extends Pick<ShownLayer, 'index' | 'hanging'> {
  /** The layer, and before it the one under it where there is one. */
  readonly lines: PackedToolpath;
}

export function sentLayer({ index, layer, under, hanging }: ShownLayer): SentLayer {
  return { index, hanging, lines: packed({ layers: under ? [under, layer] : [layer] }) };
}

export function receivedLayer({ index, hanging, lines }: SentLayer): ShownLayer {
  // Each is made of its numbers once, and not again whenever it is drawn.
  const layers = unpacked(lines).layers.map((layer): Layer => ({ ...layer }));
  return { index, hanging, layer: layers[layers.length - 1], under: layers[layers.length - 2] };
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
