import type { Area } from '../../solid/index.ts';
import type { Spot } from '../paths/toolpath.ts';
import type { LayerSection } from './hangingAreas.ts';
import { middleOf } from './middleOf.ts';
import type { SupportShape } from './supportShape.ts';

/** Plastic reaches so far from what holds it, mm. */
const REACH_MM = 1.2;
/** What is smaller is held by the lines around it, mm and mm². */
const NARROW_MM = 0.6;
const LEAST_MM2 = 0.5;
/** Places nearer to each other than this are one, mm. */
const SAME_MM = 4;

/** Where something hangs and no support is under it: a place for each piece. */
export function unheldPlaces(
  layers: readonly LayerSection[],
  hanging: readonly (Area | undefined)[],
  supports: readonly (SupportShape | undefined)[],
  gapLayers: number,
): Spot[] {
  const places: Spot[] = [];
  for (const [index, area] of hanging.entries()) {
    const top = index - 1 - gapLayers;
    // What droops so near to the plate lands on it.
    if (!area || top < 0) continue;
    const support = supports[top];
    const wide = area.grown(-NARROW_MM / 2, 'sharp');
    // A narrow ring around what the layer below has, as on a slope, is held by that.
    if (wide.mm2() < LEAST_MM2) continue;
    const loose = wide.without(layers[index - 1].area.grown(REACH_MM, 'sharp'));
    const bare = support ? loose.without(support.area().grown(REACH_MM, 'sharp')) : loose;
    for (const piece of bare.pieces()) {
      if (piece.mm2() < LEAST_MM2) continue;
      const { zMm, thickMm } = layers[index];
      const at: Spot = [...middleOf(piece.outlines()), zMm - thickMm];
      const isKnown = places.some((other) => Math.hypot(...other.map((mm, axis) => mm - at[axis])) < SAME_MM);
      if (!isKnown) places.push(at);
    }
  }
  return places;
}
