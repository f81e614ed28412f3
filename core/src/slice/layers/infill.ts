import { extentOf, OutlineRuns, type Region } from '../../plane/index.ts';
import type { Area } from '../../solid/index.ts';
import { lengthAlong } from '../paths/lengths.ts';
import { clippedLine } from './clippedLine.ts';
import { fillLines } from './fillLines.ts';
import { honeycombLines } from './honeycomb.ts';
import { waveLines } from './waves.ts';
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
export function infillTurn(
  { infillWay, infillDirections }: Pick<PrintSettings, 'infillWay' | 'infillDirections'>,
  layer: number,
): number {
  if (infillWay === 'lines') return layer % directionsOf[infillDirections].length;
  return infillWay === 'waves' ? layer : 0;
}

/** Fills a share of an area, in the way of the settings and in the given turn. */
export function infillOf(area: Area, settings: PrintSettings, turn: number): Path[] {
  const { infillShare, infillWay } = settings;
  if (infillShare <= 0 || area.isEmpty()) return [];
  return infillWay === 'outline' ? rings(area, settings) : infillLines(area.outlines(), settings, turn);
}

/** The same of ways whose lines do not hang on the outline. */
export function infillLines(region: Region, settings: PrintSettings, turn: number): Path[] {
  const { infillWay, infillDirections, infillShare, lineWidthMm, layerMm } = settings;
  if (infillShare <= 0) return [];
  switch (infillWay) {
    case 'honeycomb':
      return clipped(honeycombLines(extentOf(region), infillShare, lineWidthMm), region, lineWidthMm);
    case 'waves':
      return clipped(
        waveLines(extentOf(region), turn * layerMm, infillShare, lineWidthMm),
        region,
        lineWidthMm,
      );
    default: {
      const directions = directionsOf[infillDirections][turn];
      const spacingMm = (lineWidthMm / infillShare) * directions.length;
      return directions.flatMap((angle) => fillLines(region, angle, spacingMm, 'inside', lineWidthMm));
    }
  }
}

/** Lines along the outline, each as far within the one before, from the outside in. */
function rings(area: Area, { infillShare, lineWidthMm }: PrintSettings): Path[] {
  const spacingMm = lineWidthMm / infillShare;
  const paths: Path[] = [];
  for (let ring = area.grown(-spacingMm / 2); !ring.isEmpty(); ring = ring.grown(-spacingMm)) {
    for (const points of ring.outlines())
      paths.push({ role: 'inside', points, closed: true, widthMm: lineWidthMm });
  }
  return paths;
}

/** Pieces shorter than this are not worth moving to. */
const SHORTEST_MM = 0.5;

/** What of lines lies in a region. */
function clipped(lines: readonly Path['points'][], region: Region, widthMm: number): Path[] {
  const outlines = region.map((outline) => new OutlineRuns(outline));
  return lines
    .flatMap((points) => clippedLine(points, outlines))
    .map((points): Path => ({ role: 'inside', points, closed: false, widthMm }))
    .filter((path) => lengthAlong(path) > SHORTEST_MM);
}
