import { largestFit, scaled, type Point, type Region } from '../../plane/index.ts';
import { capHeightsMm, type Lettering, type Resolved } from '../../recipe/index.ts';
import { written, type LetterFiles } from './written.ts';

/** A height at which letters are set once, mm, where they grow in proportion. */
const TRIAL_MM = 20;

/**
 * Letters as large as their outlines fit into a region, all lines at one height of capitals.
 * @returns their outlines about where they are set, the height of a capital, and where the middle of their box lies in
 *   the region; undefined where not even the smallest letters fit
 */
export function lettersInto(
  lettering: Omit<Resolved<Lettering>, 'size'>,
  room: Region,
  files: LetterFiles,
): { region: Region; capMm: number; middle: Point } | undefined {
  const at = (mm: number) => written({ ...lettering, size: { by: 'height', mm } }, files).region;
  // Spaces between letters and circles keep their size, whatever that of the letters.
  const isProportional = !lettering.spacingMm && !lettering.arcMm;
  const trial = isProportional ? at(TRIAL_MM) : [];
  const shapeAt = (mm: number) => (isProportional ? scaled(trial, mm / TRIAL_MM) : at(mm));
  const fit = largestFit(shapeAt, room, capHeightsMm);
  return fit && { region: at(fit.size), capMm: fit.size, middle: fit.middle };
}
