import { extentOf, isInside, turned, type Region } from '../../plane/index.ts';
import type { Area } from '../../solid/index.ts';
import { fillLines } from './fillLines.ts';
import { filling, lengthAlong } from '../paths/lengths.ts';
import type { PrintSettings } from '../settings/printSettings.ts';
import type { Path } from '../paths/toolpath.ts';

/** Smaller gaps than this are spanned by the lines beside them. */
const SMALLEST_MM2 = 1;
/** How far the lines of a bridge lie on what holds them, in lines. */
const ON_SUPPORT = 2;
const STEP_DEG = 15;
/** Unless so much of a bridge's length hangs between two supports, it is none. */
const LEAST_HELD = 0.6;
/** Directions whose shares differ by less hold as well as each other. */
const SAME_SHARE = 0.02;

/** Bridges of a layer, and what they cover. */
export interface Bridges {
  readonly paths: readonly Path[];
  readonly covered: readonly Area[];
}

/**
 * Lays what has nothing under it, and is held on two sides, across its span: of all directions the one in which most of
 * the plastic hangs between two supports, and of equals the one whose longest line is the shortest.
 *
 * `inside` is the area within the layer's walls, `below` the section under it.
 */
export function bridgesOver(inside: Area, below: Area, { lineWidthMm }: PrintSettings): Bridges {
  const support = below.outlines();
  const paths: Path[] = [];
  const covered: Area[] = [];
  for (const gap of inside.without(below.grown(lineWidthMm / 2)).pieces()) {
    if (gap.mm2() < SMALLEST_MM2) continue;
    // A little wider than the gap, so that the ends lie on something; shrunk first, so that no sliver is taken along.
    const span = gap.grown(lineWidthMm * (ON_SUPPORT + 0.5)).and(inside);
    const best = bestAcross(span.outlines(), support, lineWidthMm);
    if (!best) continue;
    paths.push(...filling(best, span.mm2()));
    covered.push(span);
  }
  return { paths, covered };
}

function bestAcross(span: Region, support: Region, lineWidthMm: number): Path[] | undefined {
  let best: Path[] | undefined;
  let bestHeld = LEAST_HELD;
  let bestLongestMm = Infinity;
  for (let angle = 0; angle < 180; angle += STEP_DEG) {
    const lines = across(span, angle, lineWidthMm);
    const lengths = lines.map(lengthAlong);
    const total = lengths.reduce((sum, mm) => sum + mm, 0);
    if (total === 0) continue;
    const isHeld = lines.map(({ points }) => points.every((end) => isCovered(end, support)));
    const share = lengths.reduce((sum, mm, i) => sum + (isHeld[i] ? mm : 0), 0) / total;
    // Means and sums would be lowered by the short lines in the corners of a slanting direction.
    const longestMm = Math.max(...lengths);
    const isBetter = share > bestHeld + SAME_SHARE;
    const isAlike = share >= LEAST_HELD && share > bestHeld - SAME_SHARE;
    if (isBetter || (isAlike && longestMm < bestLongestMm)) {
      [best, bestHeld, bestLongestMm] = [lines, Math.max(share, bestHeld), longestMm];
    }
  }
  return best;
}

/** Lines in a direction, evenly from one side of a region to the other, so that no slot is left beside what holds them. */
function across(span: Region, angleDeg: number, lineWidthMm: number): Path[] {
  const { low, high } = extentOf(turned(span, -angleDeg)).y;
  const spacingMm = (high - low) / Math.max(1, Math.round((high - low) / lineWidthMm));
  return fillLines(span, angleDeg, spacingMm, 'span', spacingMm, low + spacingMm / 2);
}

/** Whether a point lies in a region with openings. */
function isCovered([x, y]: readonly [number, number], region: Region): boolean {
  return region.filter((outline) => isInside([x, y], outline)).length % 2 === 1;
}
