import { signedAreaOf } from '../../plane/index.ts';
import type { Area, Kernel } from '../../solid/index.ts';
import type { PrintSettings } from '../settings/printSettings.ts';

/** Openings up to this size are holes, mm²; what is larger is the inside of a box, whose walls stay as they are. */
const LARGEST_HOLE_MM2 = 400;

/**
 * A section as it has to be laid so that the printed part has the sizes that were drawn: plastic is drawn inwards around a
 * hole, and the first layer is pressed wider than its lines.
 */
export function forTrueSizes(
  kernel: Kernel,
  section: Area,
  { holeGrowthMm, firstLayerInsetMm }: Pick<PrintSettings, 'holeGrowthMm' | 'firstLayerInsetMm'>,
  isFirst: boolean,
): Area {
  const wide = holeGrowthMm > 0 ? withWiderHoles(kernel, section, holeGrowthMm) : section;
  if (!isFirst || firstLayerInsetMm <= 0) return wide;
  const narrow = wide.grown(-firstLayerInsetMm, 'sharp');
  // Something has to hold the part on the plate.
  return narrow.isEmpty() ? wide : narrow;
}

function withWiderHoles(kernel: Kernel, section: Area, byMm: number): Area {
  const holes = section
    .outlines()
    .filter((outline) => signedAreaOf(outline) < 0 && -signedAreaOf(outline) <= LARGEST_HOLE_MM2)
    .map((outline) => outline.toReversed());
  if (holes.length === 0) return section;
  const openings = section.made(kernel, holes);
  // Of a hole its rim alone is taken away: what stands in it, as a peg does, stays.
  return section.without(openings.grown(byMm).without(openings));
}
