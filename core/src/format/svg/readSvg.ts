import { XMLParser, XMLValidator } from 'fast-xml-parser';
import svgpath from 'svgpath';
import {
  cubic,
  extentOf,
  quadratic,
  signedAreaOf,
  withoutRepeats,
  type Outline,
  type Point,
  isInside,
} from '../plane/index.ts';
import { FormatError } from './formatError.ts';

/** Closed outlines read from an SVG file. */
export interface SvgDrawing {
  /** Each outline as x, y, x, y, … in the file's own measure, y upwards. */
  readonly outlines: number[][];
  /** How wide the drawing is by the file's own units, mm. */
  readonly widthMm: number;
}

/** Larger files are pictures and not outlines. */
const MOST_CHARACTERS = 4_000_000;
const MOST_POINTS = 20_000;
/** How finely curves are followed, as a share of the drawing's size. */
const FINENESS = 1 / 4000;
/** A user unit without a unit of its own is a 96th of an inch (SVG 2, § 8.9; CSS Values, § 6.2). */
const MM_PER_UNIT = 25.4 / 96;
const MM_PER: Record<string, number> = {
  mm: 1,
  cm: 10,
  in: 25.4,
  pt: 25.4 / 72,
  pc: 25.4 / 6,
  px: MM_PER_UNIT,
  '': MM_PER_UNIT,
};

/** An element as the parser hands it over: its name with its children, and its attributes. */
type Element = Record<string, unknown> & { ':@'?: Record<string, string> };

/**
 * Reads the filled shapes of an SVG file as outlines: paths, rectangles, circles, ellipses, polygons and poly-lines,
 * with all transformations. Strokes, texts, pictures, styles and scripts are passed over; nothing is fetched or run.
 * Throws {@link FormatError} for files that hold no shapes.
 */
export function readSvg(source: string): SvgDrawing {
  if (source.length > MOST_CHARACTERS) throw new FormatError('the drawing is larger than 4 MB');
  // Entities are not needed for outlines and can make a small file a huge one.
  const xml = source.replace(/<!DOCTYPE[^>[]*(\[[^\]]*\])?[^>]*>/gi, '');
  if (XMLValidator.validate(xml) !== true) throw new FormatError('the file is not an SVG drawing');
  const parser = new XMLParser({
    preserveOrder: true,
    ignoreAttributes: false,
    attributeNamePrefix: '',
    processEntities: false,
  });
  const root = (parser.parse(xml) as Element[]).find((each) => 'svg' in each);
  if (!root) throw new FormatError('the file is not an SVG drawing');

  const paths: { d: string; isEvenOdd: boolean }[] = [];
  collect(root.svg as Element[], '', false, paths);
  if (paths.length === 0)
    throw new FormatError('the drawing has no filled shapes: turn its lines and texts into paths');
  const rough = paths.flatMap(({ d }) => flattened(d, Infinity)).flat();
  const { x, y } = extentOf([rough]);
  const errorBy = Math.max(1e-9, Math.max(x.high - x.low, y.high - y.low) * FINENESS);
  const outlines = paths.flatMap(({ d, isEvenOdd }) => {
    const read = flattened(d, errorBy);
    return isEvenOdd ? nested(read) : read;
  });
  if (outlines.length === 0) throw new FormatError('the drawing encloses nothing');
  if (outlines.flat().length > MOST_POINTS)
    throw new FormatError('the drawing has too many points: simplify it first');
  const width = extentOf(outlines).x;
  return {
    outlines: outlines.map((outline) => outline.flatMap(([px, py]) => [rounded(px), rounded(-py)])),
    widthMm: Math.round((width.high - width.low) * millimetresPerUnit(root[':@'] ?? {}) * 100) / 100,
  };
}

const SKIPPED = new Set([
  'defs',
  'clipPath',
  'mask',
  'symbol',
  'pattern',
  'marker',
  'metadata',
  'style',
  'script',
]);

function collect(
  children: Element[],
  transform: string,
  isEvenOdd: boolean,
  into: { d: string; isEvenOdd: boolean }[],
): void {
  for (const child of children) {
    const name = Object.keys(child).find((key) => key !== ':@') ?? '';
    if (SKIPPED.has(name)) continue;
    const attributes = child[':@'] ?? {};
    if (/display\s*:\s*none/.test(attributes.style ?? '') || attributes.display === 'none') continue;
    const here = `${transform} ${attributes.transform ?? ''}`.trim();
    const rule = attributes['fill-rule'] ?? /fill-rule\s*:\s*(\w+)/.exec(attributes.style ?? '')?.[1];
    const evenOdd = rule === undefined ? isEvenOdd : rule === 'evenodd';
    const d = pathData(name, attributes);
    if (d !== undefined && !isUnfilled(attributes))
      into.push({ d: svgpath(d).transform(here).abs().unshort().unarc().toString(), isEvenOdd: evenOdd });
    const inner = child[name];
    if (Array.isArray(inner)) collect(inner as Element[], here, evenOdd, into);
  }
}

function isUnfilled({ fill, style }: Record<string, string>): boolean {
  return fill === 'none' || /(^|;)\s*fill\s*:\s*none/.test(style ?? '');
}

/** Any basic shape as path data (SVG 2, § 10: "equivalent path"). */
function pathData(name: string, a: Record<string, string>): string | undefined {
  const number = (key: string) => Number.parseFloat(a[key] ?? '0') || 0;
  switch (name) {
    case 'path':
      return a.d;
    case 'polygon':
    case 'polyline':
      return a.points ? `M${a.points}Z` : undefined;
    case 'rect': {
      const [x, y, w, h] = [number('x'), number('y'), number('width'), number('height')];
      const rx = Math.min(number(a.rx ? 'rx' : 'ry'), w / 2);
      const ry = Math.min(number(a.ry ? 'ry' : 'rx'), h / 2);
      if (rx === 0 || ry === 0) return `M${x} ${y}h${w}v${h}h${-w}Z`;
      const turn = (dx: number, dy: number) => `a${rx} ${ry} 0 0 1 ${dx} ${dy}`;
      return `M${x + rx} ${y}h${w - 2 * rx}${turn(rx, ry)}v${h - 2 * ry}${turn(-rx, ry)}h${2 * rx - w}${turn(-rx, -ry)}v${2 * ry - h}${turn(rx, -ry)}Z`;
    }
    case 'circle':
    case 'ellipse': {
      const rx = number(name === 'circle' ? 'r' : 'rx');
      const ry = number(name === 'circle' ? 'r' : 'ry');
      if (rx <= 0 || ry <= 0) return undefined;
      return `M${number('cx') - rx} ${number('cy')}a${rx} ${ry} 0 1 0 ${2 * rx} 0a${rx} ${ry} 0 1 0 ${-2 * rx} 0Z`;
    }
    default:
      return undefined;
  }
}

/** The closed outlines of path data without arcs and short forms. An open part is closed, as filling closes it. */
function flattened(d: string, errorBy: number): Outline[] {
  const outlines: Outline[] = [];
  let outline: Outline = [];
  const finish = () => {
    const clean = withoutRepeats(outline);
    if (clean.length > 2 && Math.abs(signedAreaOf(clean)) > 1e-9) outlines.push(clean);
    outline = [];
  };
  svgpath(d).iterate((segment, _, x, y) => {
    const from: Point = [x, y];
    const [command, ...n] = segment as [string, ...number[]];
    if (!n.every(Number.isFinite)) throw new FormatError('the drawing has a path that cannot be read');
    switch (command) {
      case 'M':
        finish();
        outline.push([n[0], n[1]]);
        break;
      case 'L':
        outline.push([n[0], n[1]]);
        break;
      case 'H':
        outline.push([n[0], y]);
        break;
      case 'V':
        outline.push([x, n[0]]);
        break;
      case 'Q':
        outline.push(...quadratic(from, [n[0], n[1]], [n[2], n[3]], errorBy));
        break;
      case 'C':
        outline.push(...cubic(from, [n[0], n[1]], [n[2], n[3]], [n[4], n[5]], errorBy));
        break;
      case 'Z':
        finish();
    }
  });
  finish();
  return outlines;
}

/** Outlines filled by the even–odd rule, each turned by how many others it lies in, so that winding says the same. */
function nested(outlines: readonly Outline[]): Outline[] {
  return outlines.map((outline, i) => {
    const depth = outlines.filter((other, j) => j !== i && isInside(outline[0], other)).length;
    const isMaterial = depth % 2 === 0;
    return signedAreaOf(outline) > 0 === isMaterial ? outline : outline.toReversed();
  });
}

function millimetresPerUnit({ width, viewBox }: Record<string, string>): number {
  const sized = /^\s*([\d.]+)\s*([a-z]*)\s*$/.exec(width ?? '');
  const mm = sized && MM_PER[sized[2]] !== undefined ? Number(sized[1]) * MM_PER[sized[2]] : undefined;
  const units = Number(viewBox?.trim().split(/[\s,]+/)[2]);
  return mm !== undefined && units > 0 ? mm / units : MM_PER_UNIT;
}

function rounded(value: number): number {
  return Math.round(value * 1e4) / 1e4;
}
