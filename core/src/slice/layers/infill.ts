import type { Region } from '../../recipe/index.ts';
import { fillLines } from './fillLines.ts';
import type { PrintSettings } from '../settings/printSettings.ts';
import type { Path } from '../paths/toolpath.ts';

/**
 * The angles of lines in one, two and three directions, for layers in turn. A layer with several shares its plastic among
 * them, so that all lay the same.
 */
const directionsOf: Record<PrintSettings['infillDirections'], readonly (readonly number[])[]> = {
  1: [[45], [135]],
  2: [[45, 135]],
  3: [[0, 60, 120]],
};

/** Whose turn it is at a layer; layers of one turn are filled alike. */
export function infillTurn(directions: PrintSettings['infillDirections'], layer: number): number {
  return layer % directionsOf[directions].length;
}

/** Fills a share of an area with lines in the given turn. */
export function infillLines(
  region: Region,
  { infillDirections, infillShare, lineWidthMm }: PrintSettings,
  turn: number,
): Path[] {
  if (infillShare <= 0) return [];
  const directions = directionsOf[infillDirections][turn];
  const spacingMm = (lineWidthMm / infillShare) * directions.length;
  return directions.flatMap((angle) => fillLines(region, angle, spacingMm, 'inside', lineWidthMm));
}
