import { sectionAt, type Faces, type SectionOutline, type SolidMesh } from '../../mesh/index.ts';
import { signedAreaOf, type Point } from '../../plane/index.ts';
import type { LimitsCard } from '../card/limits.ts';
import { memoizePerPart } from './memoizePerPart.ts';

/** What of a part lies on the plate: its first layer, as it will be laid. */
export interface FirstLayer {
  readonly outlines: readonly SectionOutline[];
  readonly areaMm2: number;
  /** The corners of its outlines. */
  readonly corners: readonly Point[];
  /** The faces that look down within it; those of its outlines where none does. */
  readonly faces: readonly number[];
  /** Whether it is only where a line or a point of the part sinks into the plastic: next to nothing of it is flat. */
  readonly isRounded: boolean;
}

/** A surface this low would touch a plate of glass, mm. */
const TOUCHING_MM = 0.01;
/** Less than this share of the first layer touches where a part stands on a line or a point. */
const ROUNDED_SHARE = 0.15;

/**
 * The first layer of a part: its section half-way up the layer, which is what the nozzle lays. A tilt of a fraction of a
 * degree, a burr and an engraving that is less deep than the layer make of it what they make of the print.
 */
export const firstLayerOf = memoizePerPart(
  'first layer',
  (subject, { layerMm }: Pick<LimitsCard, 'layerMm'>): FirstLayer => {
    const { mesh, faces } = subject;
    const outlines = sectionAt(mesh, layerMm / 2);
    const areaMm2 = areaOf(outlines);
    const below: number[] = [];
    for (let f = 0; f < faces.areas.length; f++) if (isInFirstLayer(mesh, faces, f, layerMm)) below.push(f);
    return {
      outlines,
      areaMm2,
      corners: outlines.flatMap(({ points }) => points),
      faces: below.length > 0 ? below : [...new Set(outlines.flatMap((outline) => outline.faces))],
      isRounded: areaOf(sectionAt(mesh, TOUCHING_MM)) < ROUNDED_SHARE * areaMm2,
    };
  },
  ({ layerMm }) => `${layerMm} mm`,
);

/** Whether a triangle looks down and ends within the first layer, so that the plate is under it and not air. */
export function isInFirstLayer(
  { positions, triangles }: SolidMesh,
  { normals }: Faces,
  face: number,
  layerMm: number,
): boolean {
  if (normals[3 * face + 2] >= 0) return false;
  for (let k = 0; k < 3; k++) if (positions[3 * triangles[3 * face + k] + 2] > layerMm) return false;
  return true;
}

function areaOf(outlines: readonly SectionOutline[]): number {
  return outlines.reduce((sum, { points }) => sum + signedAreaOf(points), 0);
}
