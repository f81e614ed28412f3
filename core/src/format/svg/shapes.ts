import svgpath from 'svgpath';
import { cubic, quadratic, type Outline, type Point } from '../../plane/index.ts';
import { FormatError } from '../formatError.ts';
import { numbersOf, unitsOf } from './lengths.ts';
import type { SvgElement } from './tree.ts';
import type { Viewport } from './viewBox.ts';
import { say } from '../../words/index.ts';

/** A line of a path, in its own units. */
export interface PathLine {
  readonly points: Outline;
  readonly isClosed: boolean;
}

/** Any basic shape as path data (SVG 2, § 10 "equivalent path"); undefined for what is no shape. */
export function pathDataOf(
  { name, attributes: a }: SvgElement,
  { width, height }: Viewport,
): string | undefined {
  const diagonal = Math.hypot(width, height) / Math.SQRT2;
  const across = (key: string) => unitsOf(a[key], width) ?? 0;
  const down = (key: string) => unitsOf(a[key], height) ?? 0;
  switch (name) {
    case 'path':
      return a.d;
    case 'polygon':
    case 'polyline': {
      const points = numbersOf(a.points ?? '');
      if (points.length < 4) return undefined;
      return `M${points.slice(0, points.length - (points.length % 2)).join(' ')}${name === 'polygon' ? 'Z' : ''}`;
    }
    case 'line':
      return `M${across('x1')} ${down('y1')}L${across('x2')} ${down('y2')}`;
    case 'rect':
      return rectangle(
        [across('x'), down('y')],
        [across('width'), down('height')],
        unitsOf(a.rx, width) ?? unitsOf(a.ry, height) ?? 0,
        unitsOf(a.ry, height) ?? unitsOf(a.rx, width) ?? 0,
      );
    case 'circle':
    case 'ellipse': {
      const rx = name === 'circle' ? unitsOf(a.r, diagonal) : (unitsOf(a.rx, width) ?? unitsOf(a.ry, height));
      const ry = name === 'circle' ? rx : (unitsOf(a.ry, height) ?? rx);
      if (!rx || !ry || rx < 0 || ry < 0) return undefined;
      return `M${across('cx') - rx} ${down('cy')}a${rx} ${ry} 0 1 0 ${2 * rx} 0a${rx} ${ry} 0 1 0 ${-2 * rx} 0Z`;
    }
    default:
      return undefined;
  }
}

function rectangle([x, y]: Point, [w, h]: Point, roundX: number, roundY: number): string | undefined {
  if (!(w > 0 && h > 0)) return undefined;
  const [rx, ry] = [Math.min(Math.max(0, roundX), w / 2), Math.min(Math.max(0, roundY), h / 2)];
  if (rx === 0 || ry === 0) return `M${x} ${y}h${w}v${h}h${-w}Z`;
  const turn = (dx: number, dy: number) => `a${rx} ${ry} 0 0 1 ${dx} ${dy}`;
  return `M${x + rx} ${y}h${w - 2 * rx}${turn(rx, ry)}v${h - 2 * ry}${turn(-rx, ry)}h${2 * rx - w}${turn(-rx, -ry)}v${2 * ry - h}${turn(rx, -ry)}Z`;
}

/** Path data as absolute lines and Bézier curves. Throws a {@link FormatError} where it cannot be read. */
export function curvesOf(d: string): ReturnType<typeof svgpath> {
  const path = svgpath(d);
  if ((path as unknown as { err: string }).err)
    throw new FormatError(say('the drawing has a path that cannot be read'));
  return path.abs().unshort().unarc();
}

/** The ends of the lines and curves of a path, and what its curves are pulled towards. */
export function handlesOf(path: ReturnType<typeof svgpath>): Outline {
  const handles: Outline = [];
  path.iterate((segment, _, x, y) => {
    const [command, ...n] = segment as [string, ...number[]];
    if (command === 'H') handles.push([n[0], y]);
    else if (command === 'V') handles.push([x, n[0]]);
    else for (let i = 0; i + 1 < n.length; i += 2) handles.push([n[i], n[i + 1]]);
  });
  return handles;
}

/** The lines of a path. Curves stray from theirs by at most `errorBy` units. */
export function linesOf(path: ReturnType<typeof svgpath>, errorBy: number, mostPoints: number): PathLine[] {
  const lines: PathLine[] = [];
  let points: Outline = [];
  let count = 0;
  const finish = (isClosed: boolean) => {
    if (points.length > 0) lines.push({ points, isClosed });
    points = [];
  };
  path.iterate((segment, _, x, y) => {
    const [command, ...n] = segment as [string, ...number[]];
    if (!n.every(Number.isFinite)) throw new FormatError(say('the drawing has a path that cannot be read'));
    const from: Point = [x, y];
    if (command === 'Z') {
      finish(true);
      return;
    }
    if (command === 'M') finish(false);
    // After a closed line the next begins where that one began.
    else if (points.length === 0) points.push(from);
    const added = pointsOf(command, n, from, errorBy);
    count += added.length;
    if (count > mostPoints) throw new FormatError(say('the drawing has too many points: simplify it first'));
    points.push(...added);
  });
  finish(false);
  return lines;
}

function pointsOf(command: string, n: number[], from: Point, errorBy: number): Outline {
  switch (command) {
    case 'H':
      return [[n[0], from[1]]];
    case 'V':
      return [[from[0], n[0]]];
    case 'Q':
      return quadratic(from, [n[0], n[1]], [n[2], n[3]], errorBy);
    case 'C':
      return cubic(from, [n[0], n[1]], [n[2], n[3]], [n[4], n[5]], errorBy);
    default:
      return [[n[0], n[1]]];
  }
}
