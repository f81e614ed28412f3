import { nearestOnOutlines, type Outline } from '../../plane/index.ts';
import type { PrintSettings, Seam } from '../settings/printSettings.ts';

type Place = readonly [number, number];

/** A piece of a line shorter than this is none, mm. */
const SHORTEST_MM = 0.01;

/** So many layers begin at different places before the first comes again. */
export const SPREAD_TURNS = 8;
/** From turn to turn the place goes on by the golden section, so that neighbours are far from each other. */
const GOLDEN = (Math.sqrt(5) - 1) / 2;

/** A bend of less than this hides no seam. */
const CORNER_DEG = 30;

/**
 * The outline, beginning where the seam shows least: in an inward corner, or else on an outward one, and in the one
 * furthest back where there are several or none, so that the seams of layers lie above each other. Behind, the place
 * alone decides.
 *
 * The outline has material to its left.
 */
export function fromSeam(outline: Outline, seam: Seam = 'hidden'): Outline {
  let best = 0;
  let bestHidden = -1;
  outline.forEach((point, i) => {
    const turn = seam === 'behind' ? 0 : turnDegAt(outline, i);
    const hidden = turn < -CORNER_DEG ? 2 : turn > CORNER_DEG ? 1 : 0;
    if (hidden > bestHidden || (hidden === bestHidden && isFurtherBack(point, outline[best]))) {
      [best, bestHidden] = [i, hidden];
    }
  });
  return [...outline.slice(best), ...outline.slice(0, best)];
}

/** The outline, beginning where it is nearest to a place that somebody marked. */
export function fromMarkedSeam(outline: Outline, mark: Place): Outline {
  const start = nearestOnOutlines(mark, [outline]);
  const mm = (a: Place, b: Place) => Math.hypot(a[0] - b[0], a[1] - b[1]);
  const corner = outline.findIndex((point) => mm(point, start) < SHORTEST_MM);
  if (corner !== -1) return [...outline.slice(corner), ...outline.slice(0, corner)];
  const detoursMm = outline.map((from, i) => {
    const to = outline[(i + 1) % outline.length];
    return mm(from, start) + mm(start, to) - mm(from, to);
  });
  const edge = detoursMm.indexOf(Math.min(...detoursMm));
  return [start, ...outline.slice(edge + 1), ...outline.slice(0, edge + 1)];
}

/** Whether the lines of each layer begin somewhere else. */
export function spreadsSeams({ seam, seamAtMm }: Pick<PrintSettings, 'seam' | 'seamAtMm'>): boolean {
  return seam === 'spread' && !seamAtMm;
}

/** The outline, beginning at a share of its length that is another one for each turn. */
export function fromSpreadSeam(outline: readonly Place[], turn: number): readonly Place[] {
  const lengths = outline.map(([x, y], i) => {
    const [nextX, nextY] = outline[(i + 1) % outline.length];
    return Math.hypot(nextX - x, nextY - y);
  });
  let left = ((turn * GOLDEN) % 1) * lengths.reduce((sum, length) => sum + length, 0);
  const edge = lengths.findIndex((length) => {
    left -= length;
    return left < 0;
  });
  if (edge === -1) return outline;
  const [[x, y], [nextX, nextY]] = [outline[edge], outline[(edge + 1) % outline.length]];
  const share = 1 + left / lengths[edge];
  const start: Place = [x + share * (nextX - x), y + share * (nextY - y)];
  const rest = [...outline.slice(edge + 1), ...outline.slice(0, edge + 1)];
  return share * lengths[edge] < SHORTEST_MM
    ? [rest[rest.length - 1], ...rest.slice(0, -1)]
    : [start, ...rest];
}

/** How far the outline turns left at a corner, −180 to 180°. */
function turnDegAt(outline: Outline, i: number): number {
  const [px, py] = outline[(i + outline.length - 1) % outline.length];
  const [x, y] = outline[i];
  const [nx, ny] = outline[(i + 1) % outline.length];
  const [ax, ay, bx, by] = [x - px, y - py, nx - x, ny - y];
  return (Math.atan2(ax * by - ay * bx, ax * bx + ay * by) * 180) / Math.PI;
}

/** Corners that lie equally far back but for rounding are told apart from left to right. */
function isFurtherBack([ax, ay]: readonly [number, number], [bx, by]: readonly [number, number]): boolean {
  return Math.abs(ay - by) > 0.05 ? ay > by : ax < bx;
}
