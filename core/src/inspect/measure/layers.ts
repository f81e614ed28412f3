/** Layers are cut a little beside their middle, where there may be corners, mm. */
const BESIDE_MM = 0.0013;

/** The height at which a layer is cut to see what of a part it lays; the layer on the plate is 0. */
export function cutOfLayerMm(layer: number, layerMm: number): number {
  return (layer + 0.5) * layerMm + BESIDE_MM;
}

/** The first layer whose cut lies no lower than a height. */
export function layerAbove(zMm: number, layerMm: number): number {
  return Math.ceil((zMm - BESIDE_MM) / layerMm - 0.5);
}
