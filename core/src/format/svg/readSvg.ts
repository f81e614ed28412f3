import {
  extentOf,
  pointsOf,
  signedAreaOf,
  strokePieces,
  type Outline,
  type Region,
} from '../../plane/index.ts';
import { FormatError } from '../formatError.ts';
import { MM_PER_UNIT, unitsOf } from './lengths.ts';
import { marksOf, type Mark } from './marks.ts';
import { apply, scaleOf } from './matrix.ts';
import { handlesOf, linesOf } from './shapes.ts';
import { Sheet, type DrawingMath } from './sheet.ts';
import { treeOf, type SvgElement } from './tree.ts';
import { viewBoxOf } from './viewBox.ts';
import { say } from '../../words/index.ts';

/** Closed outlines read from an SVG file. */
export interface SvgDrawing {
  /** Each outline as x, y, x, y, … in the file's own measure, y upwards; openings turn clockwise. */
  readonly outlines: number[][];
  /** How wide the drawing is by the file's own units, mm. */
  readonly widthMm: number;
  /** What was left out or taken in another way than it looks, a sentence each. */
  readonly notes: readonly string[];
}

const MOST_POINTS = 20_000;
const MOST_OUTLINES = 400;
/** How many points all lines and the pieces of their strokes may have. */
const MOST_POINTS_DRAWN = 60_000;
/** How finely curves are followed, as a share of the drawing's size. */
const FINENESS = 1 / 4000;
/** The size at which a drawing is worked out, whatever it was drawn at: the arithmetic has a fixed grain. */
const WORKING_SIZE = 1000;
/** Areas smaller than this share of a square as large as the drawing are dust that crossing lines leave. */
const DUST = 1e-8;

/**
 * Reads what an SVG file shows as outlines: filled shapes, and lines as wide as they are drawn, with all transformations,
 * styles and uses of one shape in many places. White lies over ink as paper does. What cannot be an outline is left out
 * and named; nothing is fetched or run. Throws a {@link FormatError} for files that hold no outlines, or too much.
 */
export function readSvg(source: string, math: DrawingMath): SvgDrawing {
  const tree = treeOf(source);
  const { marks, notes } = marksOf(tree);
  if (marks.length === 0)
    throw new FormatError(
      say('the drawing has no filled shapes and no lines with a width: turn its texts into paths'),
    );
  const { x, y } = roughExtent(marks);
  const size = Math.max(x.high - x.low, y.high - y.low);
  if (!(size > 0 && Number.isFinite(size))) throw new FormatError(say('the drawing encloses nothing'));
  const scale = WORKING_SIZE / size;
  // A drawing that is white all over was meant for dark paper.
  const isAllPaper = marks.every(({ paint }) => paint === 'paper');
  const sheet = new Sheet(math);
  let points = 0;
  for (const mark of marks) {
    for (const { outlines, rule } of areasOf(mark, size * FINENESS, MOST_POINTS_DRAWN - points)) {
      points += pointsOf(outlines);
      if (points > MOST_POINTS_DRAWN) throw tooManyPoints();
      const placed = outlines.map((outline) =>
        outline.map((point) => {
          const [px, py] = apply(mark.matrix, point);
          return [(px - x.low) * scale, (y.low - py) * scale] as [number, number];
        }),
      );
      sheet.draw(placed, rule, mark.paint === 'paper' && !isAllPaper);
    }
  }
  const region = sheet
    .finished()
    .filter((outline) => Math.abs(signedAreaOf(outline)) > DUST * WORKING_SIZE ** 2);
  if (region.length === 0) throw new FormatError(say('the drawing encloses nothing'));
  if (pointsOf(region) > MOST_POINTS) throw tooManyPoints();
  if (region.length > MOST_OUTLINES)
    throw new FormatError(
      say('the drawing has more than {most} outlines: simplify it first', { most: MOST_OUTLINES }),
    );
  const grain = 10 ** Math.ceil(Math.log10(size) - 7);
  const back = (value: number, low: number) => Math.round((value / scale + low) / grain) * grain;
  const width = extentOf(region).x;
  return {
    outlines: region.map((outline) => outline.flatMap(([px, py]) => [back(px, x.low), back(py, -y.low)])),
    widthMm: Math.round(((width.high - width.low) / scale) * millimetresPerUnit(tree.root) * 100) / 100,
    notes,
  };
}

/** The areas that a mark covers, in its own units: what it fills by its rule, or the pieces of its line. */
function* areasOf(
  { path, matrix, area }: Mark,
  errorBy: number,
  mostPoints: number,
): Generator<{ outlines: Region; rule: 'nonzero' | 'evenodd' }> {
  const scale = scaleOf(matrix);
  if (!(scale > 0)) return;
  const error = errorBy / scale;
  const lines = linesOf(path, error, mostPoints);
  if (area.kind === 'fill') {
    const outlines = lines.map(({ points }) => points).filter(({ length }) => length > 2);
    if (outlines.length > 0) yield { outlines, rule: area.rule };
    return;
  }
  for (const { points, isClosed } of lines)
    for (const piece of strokePieces(points, isClosed, area.stroke, error))
      yield { outlines: [piece], rule: 'nonzero' };
}

/**
 * Where the marks lie, roughly: the ends of their lines and what their curves are pulled towards, which they never reach
 * beyond, with room for what strokes reach beyond.
 */
function roughExtent(marks: readonly Mark[]): ReturnType<typeof extentOf> {
  const ends: Outline = [];
  for (const { path, matrix, area } of marks) {
    const reach = area.kind === 'stroke' ? area.stroke.width / 2 : 0;
    for (const [px, py] of handlesOf(path))
      for (const by of reach > 0 ? [-reach, reach] : [0]) ends.push(apply(matrix, [px + by, py + by]));
    if (ends.length > 2 * MOST_POINTS_DRAWN) throw tooManyPoints();
  }
  if (ends.some((point) => !point.every(Number.isFinite)))
    throw new FormatError(say('the drawing has a number that is too large'));
  return extentOf([ends]);
}

function tooManyPoints(): FormatError {
  return new FormatError(say('the drawing has too many points: simplify it first'));
}

/** How large a unit of the drawing's own measure is on paper. */
function millimetresPerUnit({ attributes: { width, height, viewBox } }: SvgElement): number {
  const box = viewBoxOf(viewBox);
  if (!box) return MM_PER_UNIT;
  const scales = [
    [width, box[2]],
    [height, box[3]],
  ].flatMap(([said, units]) => {
    // A percentage is of a page that is not known.
    const length = String(said ?? '').includes('%') ? undefined : unitsOf(said as string | undefined, 0);
    return length === undefined ? [] : [length / (units as number)];
  });
  return scales.length === 0 ? MM_PER_UNIT : Math.min(...scales) * MM_PER_UNIT;
}
