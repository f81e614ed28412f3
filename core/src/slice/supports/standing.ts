import type { Area } from '../../solid/index.ts';
import { usable } from './columns.ts';
import type { LayerSection } from './hangingAreas.ts';
import { apartMm, comesNear, type Stem } from './stem.ts';
import type { SupportShape } from './supportShape.ts';

/** A line that reaches so far beyond what is below it still lies on that, mm. */
const REACH_MM = 0.4;
/** Less than this hanging is what rounding leaves, mm². */
const LEAST_MM2 = 0.05;

/** A stem of the layer below is nearer than this if a stem stands on it, mm. */
const STEP_MM = 0.6;

/**
 * Supports without what stands on nothing, as what is left of one that the part cuts off above a slope: from the plate
 * upwards only what lies over the plate, over a support or, a gap below, over the part.
 */
export function standing(
  supports: readonly (SupportShape | undefined)[],
  layers: readonly LayerSection[],
  gapLayers: number,
): (SupportShape | undefined)[] {
  const kept: (SupportShape | undefined)[] = [];
  /** What is kept of shapes that several layers in turn have. */
  let last: { readonly shape: SupportShape; readonly kept: SupportShape | undefined } | undefined;
  for (const [index, shape] of supports.entries()) {
    const below = kept[index - 1];
    if (shape && shape === last?.shape) kept.push(last.kept);
    else if (!shape || index <= gapLayers) kept.push(shape);
    else kept.push(onGround(shape, below, layers[index - 1 - gapLayers].area));
    last = shape && { shape, kept: kept[index] };
  }
  return kept;
}

/** What of a layer of supports stands on that below it, or on the part. */
function onGround(
  shape: SupportShape,
  below: SupportShape | undefined,
  part: Area,
): SupportShape | undefined {
  const stands = (stem: Stem) =>
    below?.stems.some((other) => other === stem || apartMm(other, stem) < STEP_MM) ||
    comesNear(stem, part.outlines(), REACH_MM - stem.radiusMm) ||
    (below?.solid && comesNear(stem, below.solid.outlines(), REACH_MM - stem.radiusMm));
  const stems = shape.stems.every(stands) ? shape.stems : shape.stems.filter(stands);
  const solid = shape.solid && solidOn(shape.solid, below, part);
  if (stems === shape.stems && solid === shape.solid) return shape;
  return stems.length > 0 || solid ? shape.with({ solid, stems }) : undefined;
}

function solidOn(solid: Area, below: SupportShape | undefined, part: Area): Area | undefined {
  if (solid === below?.solid) return solid;
  const under = (below ? part.with(below.area()) : part).grown(REACH_MM, 'sharp');
  const held = solid.and(under);
  return solid.mm2() - held.mm2() < LEAST_MM2 ? solid : usable(held);
}
