import type { Region } from '../../recipe/index.ts';
import { fillLines } from './fillLines.ts';
import type { PrintSettings } from '../settings/printSettings.ts';
import type { Path } from '../paths/toolpath.ts';

/**
 * The directions of each pattern, in degrees, for layers in turn. A layer with several shares its plastic among them,
 * so that all patterns lay the same.
 */
const directionsOf: Record<PrintSettings['infillPattern'], readonly (readonly number[])[]> = {
  lines: [[45], [135]],
  grid: [[45, 135]],
  triangles: [[0, 60, 120]],
};

/** Which of a pattern's turns a layer has; layers of one turn are filled alike. */
export function turnOf(pattern: PrintSettings['infillPattern'], layer: number): number {
  return layer % directionsOf[pattern].length;
}

/** Fills a share of an area with a pattern, in the given turn. */
export function infillLines(
  region: Region,
  { infillPattern, infillShare, lineWidthMm }: PrintSettings,
  turn: number,
): Path[] {
  if (infillShare <= 0) return [];
  const directions = directionsOf[infillPattern][turn];
  const spacingMm = (lineWidthMm / infillShare) * directions.length;
  return directions.flatMap((angle) => fillLines(region, angle, spacingMm, 'infill', lineWidthMm));
}
