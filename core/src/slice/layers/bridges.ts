import { extentOf, isInRegion, turned, type Outline, type Region } from '../../plane/index.ts';
import type { Area, Kernel } from '../../solid/index.ts';
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
/** Lines of a bridge that are longer than this sag, mm. */
const LONG_MM = 8;
/** Such a span is laid in several directions where its lines in one would be so many times as long as in the best of them. */
const IN_PART = 1.5;
const MOST_WAYS = 3;
/** A direction straddles a part if so much of its length is held. */
const PART_HELD = 0.4;
/** Directions whose shares differ by less hold as well as each other. */
const SAME_SHARE = 0.02;

/** Bridges of a layer, and what they cover. */
export interface Bridges {
  readonly paths: readonly Path[];
  readonly covered: readonly Area[];
}

/**
 * Lays what has nothing under it, and is held on two sides, across its span: of all directions the one in which most of
 * the plastic hangs between two supports, and of equals the one whose longest line is the shortest. Where lines in one
 * direction would be long or end in the air, as over two channels that cross, each part is laid across its own.
 *
 * `inside` is the area within the layer's walls, `below` the section under it.
 */
export function bridgesOver(
  kernel: Kernel,
  inside: Area,
  below: Area,
  { lineWidthMm }: PrintSettings,
): Bridges {
  const support = below.outlines();
  const paths: Path[] = [];
  const covered: Area[] = [];
  for (const gap of inside.without(below.grown(lineWidthMm / 2)).pieces()) {
    if (gap.mm2() < SMALLEST_MM2) continue;
    // A little wider than the gap, so that the ends lie on something; shrunk first, so that no sliver is taken along.
    const span = gap.grown(lineWidthMm * (ON_SUPPORT + 0.5)).and(inside);
    const whole = bestOf(waysAcross(span.outlines(), [support], lineWidthMm));
    const isLong = !whole || Math.max(...whole.lengths) > LONG_MM;
    const parts = isLong ? inParts(kernel, span, support, lineWidthMm) : undefined;
    if (parts) {
      paths.push(...parts.paths);
      covered.push(...parts.covered);
    } else if (whole) {
      paths.push(...filling(whole.lines, span.mm2()));
      covered.push(span);
    }
  }
  return { paths, covered };
}

/** A span laid in several directions, each part across its own; undefined if some of it would be left over. */
function inParts(kernel: Kernel, span: Area, support: Region, lineWidthMm: number): Bridges | undefined {
  const paths: Path[] = [];
  const covered: Area[] = [];
  const laid: Region[] = [];
  let left = span;
  for (let round = 1; round <= MOST_WAYS && left.mm2() >= SMALLEST_MM2; round++) {
    const ways = waysAcross(left.outlines(), [support, ...laid], lineWidthMm);
    const inPart = round < MOST_WAYS ? bestInPart(ways) : undefined;
    const lines = inPart ?? bestOf(ways)?.lines;
    if (!lines) return undefined;
    const part = inPart ? left.and(left.made(kernel, lines.map(stripOf))) : left;
    paths.push(...filling(lines, part.mm2()));
    covered.push(part);
    laid.push(part.outlines());
    left = left.without(part);
  }
  return { paths, covered };
}

/** What a line covers. */
function stripOf({ points: [[ax, ay], [bx, by]], widthMm }: Path): Outline {
  const mm = Math.hypot(bx - ax, by - ay);
  const [sideX, sideY] = [(-(by - ay) / mm) * (widthMm / 2), ((bx - ax) / mm) * (widthMm / 2)];
  return [
    [ax - sideX, ay - sideY],
    [bx - sideX, by - sideY],
    [bx + sideX, by + sideY],
    [ax + sideX, ay + sideY],
  ];
}

/** Lines in a direction, how long each is, and which of them land on something at both ends. */
interface Across {
  readonly lines: readonly Path[];
  readonly lengths: readonly number[];
  readonly isHeld: readonly boolean[];
}

function waysAcross(span: Region, supports: readonly Region[], lineWidthMm: number): Across[] {
  const ways: Across[] = [];
  for (let angle = 0; angle < 180; angle += STEP_DEG) {
    const lines = across(span, angle, lineWidthMm);
    const isHeld = lines.map(({ points }) =>
      points.every((end) => supports.some((support) => isInRegion([...end], support))),
    );
    if (lines.length > 0) ways.push({ lines, lengths: lines.map(lengthAlong), isHeld });
  }
  return ways;
}

/** The direction in which most is held, and of equals the one whose longest line is the shortest; undefined if too little is. */
function bestOf(ways: readonly Across[]): Across | undefined {
  let best: Across | undefined;
  let bestHeld = LEAST_HELD;
  let bestLongestMm = Infinity;
  for (const way of ways) {
    const share = sum(heldLengths(way)) / sum(way.lengths);
    // Means and sums would be lowered by the short lines in the corners of a slanting direction.
    const longestMm = Math.max(...way.lengths);
    const isBetter = share > bestHeld + SAME_SHARE;
    const isAlike = share >= LEAST_HELD && share > bestHeld - SAME_SHARE;
    if (isBetter || (isAlike && longestMm < bestLongestMm)) {
      [best, bestHeld, bestLongestMm] = [way, Math.max(share, bestHeld), longestMm];
    }
  }
  return best;
}

/**
 * The lines that straddle a good part of a span by the shortest way, where no one direction does so everywhere: in a
 * direction along one of two channels that cross, a line is as long as the channel. Undefined where one direction is as good.
 */
function bestInPart(ways: readonly Across[]): Path[] | undefined {
  const straddling = ways.filter((way) => sum(heldLengths(way)) >= PART_HELD * sum(way.lengths));
  if (straddling.length === 0) return undefined;
  const typicalMm = (way: Across) => typical(heldLengths(way));
  const shortest = straddling.reduce((a, b) => (typicalMm(b) < typicalMm(a) ? b : a));
  const mostMm = IN_PART * typicalMm(shortest);
  const whole = bestOf(ways);
  if (whole && Math.max(...whole.lengths) <= mostMm) return undefined;
  return shortest.lines.filter((_, i) => shortest.isHeld[i] && shortest.lengths[i] <= mostMm);
}

const heldLengths = ({ lengths, isHeld }: Across) => lengths.filter((_, i) => isHeld[i]);
const sum = (values: readonly number[]) => values.reduce((a, b) => a + b, 0);

/** The length that lines of half of all the length reach, so that the short ones in corners count little. */
function typical(lengths: readonly number[]): number {
  let left = sum(lengths) / 2;
  return lengths.toSorted((a, b) => b - a).find((mm) => (left -= mm) <= 0) ?? 0;
}

/** Lines in a direction, evenly from one side of a region to the other, so that no slot is left beside what holds them. */
function across(span: Region, angleDeg: number, lineWidthMm: number): Path[] {
  const { low, high } = extentOf(turned(span, -angleDeg)).y;
  const spacingMm = (high - low) / Math.max(1, Math.round((high - low) / lineWidthMm));
  return fillLines(span, angleDeg, spacingMm, 'span', spacingMm, low + spacingMm / 2);
}
