import { arc } from './curves.ts';
import { counterClockwise, withoutRepeats, type Outline, type Point } from './region.ts';

/** How a line with a width is drawn. */
export interface Stroke {
  readonly width: number;
  readonly cap: 'butt' | 'round' | 'square';
  readonly join: 'miter' | 'round' | 'bevel';
  /** A pointed corner that would reach further than this many half widths is cut off. */
  readonly miterLimit: number;
}

/**
 * Pieces that together are the area of a line with a width: a rectangle for each edge, what joins them, and the caps.
 * They overlap, and all turn counter-clockwise. Rounded parts stray from theirs by at most `error`.
 */
export function strokePieces(line: Outline, isClosed: boolean, stroke: Stroke, error: number): Outline[] {
  const half = stroke.width / 2;
  const points = withoutRepeats(line);
  // The first point is only the same as the last where the line was closed by hand.
  const isLoop = isClosed && points.length > 2;
  if (!isLoop && points.length > 0 && points[0] !== line[0]) points.unshift(line[0]);
  if (points.length < 2) return dot(line[0], half, stroke, error);
  const edges = (isLoop ? points : points.slice(0, -1)).map((from, i) => {
    const to = points[(i + 1) % points.length];
    const length = Math.hypot(to[0] - from[0], to[1] - from[1]);
    return { from, to, along: [(to[0] - from[0]) / length, (to[1] - from[1]) / length] as Point };
  });
  const pieces: Outline[] = [];
  for (const [i, { from, to, along }] of edges.entries()) {
    const isFirst = !isLoop && i === 0;
    const isLast = !isLoop && i === edges.length - 1;
    const longer = (wanted: boolean) => (wanted && stroke.cap === 'square' ? half : 0);
    const begin = beyond(from, along, -longer(isFirst));
    const end = beyond(to, along, longer(isLast));
    const [nx, ny] = [-along[1] * half, along[0] * half];
    pieces.push([
      [begin[0] - nx, begin[1] - ny],
      [end[0] - nx, end[1] - ny],
      [end[0] + nx, end[1] + ny],
      [begin[0] + nx, begin[1] + ny],
    ]);
    if (stroke.cap === 'round') {
      const angle = Math.atan2(along[1], along[0]);
      if (isFirst) pieces.push(sector(from, half, angle + Math.PI / 2, Math.PI, error));
      if (isLast) pieces.push(sector(to, half, angle - Math.PI / 2, Math.PI, error));
    }
    if (isLast) continue;
    const corner = join(to, along, edges[(i + 1) % edges.length].along, half, stroke, error);
    if (corner) pieces.push(corner);
  }
  return pieces.map(counterClockwise);
}

/** What a line of no length leaves: nothing, a square or a circle. */
function dot([x, y]: Point, half: number, { cap }: Stroke, error: number): Outline[] {
  if (cap === 'butt') return [];
  if (cap === 'round') return [sector([x, y], half, 0, 2 * Math.PI, error)];
  return [
    [
      [x - half, y - half],
      [x + half, y - half],
      [x + half, y + half],
      [x - half, y + half],
    ],
  ];
}

/** What fills the outer side of a corner between two edges that run along `a` and then along `b`. */
function join(
  at: Point,
  a: Point,
  b: Point,
  half: number,
  stroke: Stroke,
  error: number,
): Outline | undefined {
  const cross = a[0] * b[1] - a[1] * b[0];
  const dot = a[0] * b[0] + a[1] * b[1];
  if (Math.abs(cross) < 1e-9 && dot > 0) return undefined;
  // The outer side lies to the right of a turn to the left, and the other way round.
  const side = cross > 0 ? -1 : 1;
  const from: Point = [-a[1] * side * half, a[0] * side * half];
  const to: Point = [-b[1] * side * half, b[0] * side * half];
  const turn = Math.atan2(cross, dot);
  if (stroke.join === 'round') return sector(at, half, Math.atan2(from[1], from[0]), turn, error);
  const corner: Outline = [at, [at[0] + from[0], at[1] + from[1]], [at[0] + to[0], at[1] + to[1]]];
  const reach = 1 / Math.cos(turn / 2);
  if (stroke.join === 'miter' && reach <= stroke.miterLimit) {
    const [mx, my] = [from[0] + to[0], from[1] + to[1]];
    const scale = (half * reach) / Math.hypot(mx, my);
    corner.splice(2, 0, [at[0] + mx * scale, at[1] + my * scale]);
  }
  return corner;
}

/** A part of a circle with its middle. */
function sector(middle: Point, radius: number, from: number, sweep: number, error: number): Outline {
  const step = 2 * Math.acos(Math.max(0.5, 1 - error / radius));
  const segments = Math.max(1, Math.min(128, Math.ceil(Math.abs(sweep) / step)));
  const rim = arc(middle, radius, from, sweep, segments);
  return Math.abs(sweep) > 6.28 ? rim.slice(0, segments) : [middle, ...rim];
}

function beyond([x, y]: Point, [ux, uy]: Point, by: number): Point {
  return [x + ux * by, y + uy * by];
}
