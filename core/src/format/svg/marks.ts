import type svgpath from 'svgpath';
import type { Stroke } from '../../plane/index.ts';
import { FormatError } from '../formatError.ts';
import { numbersOf, unitsOf } from './lengths.ts';
import { identity, times, transformOf, type Matrix } from './matrix.ts';
import { isNothing, paintOf, type Paint } from './paint.ts';
import { curvesOf, pathDataOf } from './shapes.ts';
import { Styles, type Look } from './styles.ts';
import { hrefOf, type SvgElement, type SvgTree } from './tree.ts';
import { fitted, viewBoxOf, type Viewport } from './viewBox.ts';
import { say } from '../../words/index.ts';

/** One thing that a drawing draws: a path that is filled, or one along which a line runs. */
export interface Mark {
  readonly path: ReturnType<typeof svgpath>;
  /** From the path's units to those of the drawing. */
  readonly matrix: Matrix;
  readonly paint: Exclude<Paint, 'none'>;
  readonly area:
    | { readonly kind: 'fill'; readonly rule: 'nonzero' | 'evenodd' }
    | { readonly kind: 'stroke'; readonly stroke: Stroke };
}

/** How many elements may be drawn, those counted again that are used in many places. */
const MOST_DRAWN = 5_000;
/** A corner that would reach further than so many half widths is cut off, whatever is said. */
const LONGEST_MITER = 50;
/** How deep uses may lie in uses. */
const DEEPEST = 80;
/** How many letters all paths may have, those counted again that are used in many places. */
const MOST_PATH_CHARACTERS = 1_000_000;

/** Elements that draw nothing where they stand. */
const SILENT = new Set([
  'clipPath',
  'defs',
  'desc',
  'filter',
  'linearGradient',
  'marker',
  'mask',
  'metadata',
  'pattern',
  'radialGradient',
  'script',
  'style',
  'symbol',
  'title',
]);
const GROUPS = new Set(['a', 'g', 'svg', 'switch']);
const SHAPES = new Set(['path', 'rect', 'circle', 'ellipse', 'line', 'polyline', 'polygon']);

/** What is drawn, in the order in which it lies over each other, and what of the drawing is left out. */
export function marksOf(tree: SvgTree): { marks: Mark[]; notes: string[] } {
  const drawing = new Drawing(tree);
  drawing.draw();
  return { marks: drawing.marks, notes: drawing.notes() };
}

/** Where an element stands. */
interface Place {
  readonly matrix: Matrix;
  readonly look: Look;
  readonly viewport: Viewport;
  readonly depth: number;
}

class Drawing {
  readonly marks: Mark[] = [];
  readonly #tree: SvgTree;
  readonly #styles: Styles;
  #drawn = 0;
  #pathCharacters = 0;
  readonly #leftOut = { text: 0, image: 0, clipped: 0, outside: 0 };
  #isDashed = false;
  #isMarked = false;

  constructor(tree: SvgTree) {
    this.#tree = tree;
    this.#styles = new Styles(tree.styleSheet);
  }

  draw(): void {
    const { root } = this.#tree;
    const box = viewBoxOf(root.attributes.viewBox);
    const viewport = box
      ? { width: box[2], height: box[3] }
      : {
          width: unitsOf(root.attributes.width, 100) ?? 100,
          height: unitsOf(root.attributes.height, 100) ?? 100,
        };
    const look = this.#styles.of(root, {});
    if (isHidden(look)) return;
    this.#all(root.children, { matrix: identity, look, viewport, depth: 0 });
  }

  /** What was left out, a sentence each. */
  notes(): string[] {
    const { text, image, clipped, outside } = this.#leftOut;
    const leftOut = (count: number, words: (count: number) => string) => (count === 0 ? [] : [words(count)]);
    const hasPaper = this.marks.some(({ paint }) => paint === 'paper');
    const hasInk = this.marks.some(({ paint }) => paint === 'ink');
    return [
      ...leftOut(text, (count) =>
        say(
          '{count, plural, one {A text is left out: turn it into paths first.} other {# texts are left out: turn them into paths first.}}',
          { count },
        ),
      ),
      ...leftOut(image, (count) =>
        say(
          '{count, plural, one {A picture is left out: it has no outlines.} other {# pictures are left out: they have no outlines.}}',
          { count },
        ),
      ),
      ...leftOut(clipped, (count) =>
        say(
          '{count, plural, one {A clip or mask is left out: what it hides is drawn.} other {# clips or masks are left out: what they hide is drawn.}}',
          { count },
        ),
      ),
      ...leftOut(outside, (count) =>
        say(
          '{count, plural, one {A shape that is not in the file is left out.} other {# shapes that are not in the file are left out.}}',
          { count },
        ),
      ),
      ...(this.#isDashed ? [say('Dashed lines are drawn through.')] : []),
      ...(this.#isMarked ? [say('Arrowheads and other marks on lines are left out.')] : []),
      ...(this.#styles.hasOthers ? [say('Some of the styles are not understood and are left out.')] : []),
      ...(hasPaper && hasInk ? [say('White is taken as paper: it cuts away what lies under it.')] : []),
      ...(hasPaper && !hasInk ? [say('All is white: it is taken as if it were black.')] : []),
    ];
  }

  #all(elements: readonly SvgElement[], place: Place): void {
    for (const element of elements) this.#element(element, place);
  }

  #element(element: SvgElement, outer: Place): void {
    const { name, attributes } = element;
    if (SILENT.has(name)) return;
    const isDrawn = GROUPS.has(name) || SHAPES.has(name) || name === 'use';
    if (!isDrawn && name !== 'text' && name !== 'image' && name !== 'foreignObject') return;
    if (++this.#drawn > MOST_DRAWN)
      throw new FormatError(say('the drawing has more than 5,000 shapes: simplify it first'));
    if (outer.depth > DEEPEST) throw new FormatError(say('the drawing uses a shape within itself'));
    const look = this.#styles.of(element, outer.look);
    if (isHidden(look)) return;
    if (name === 'text') this.#leftOut.text++;
    if (name === 'image' || name === 'foreignObject') this.#leftOut.image++;
    if (!isDrawn) return;
    if (said(look['clip-path']) || said(look.mask)) this.#leftOut.clipped++;
    // A style writes its units, an attribute has none.
    const transform = look.transform ?? attributes.transform;
    const place = {
      matrix: times(outer.matrix, transformOf(transform)),
      look,
      viewport: outer.viewport,
      depth: outer.depth + 1,
    };
    if (SHAPES.has(name)) this.#shape(element, place);
    else if (name === 'use') this.#use(element, place);
    else if (name === 'svg') this.#all(element.children, framed(element, place));
    else if (name === 'switch')
      this.#all(element.children.filter(({ name: each }) => each !== 'foreignObject').slice(0, 1), place); // oxfmt-ignore
    else this.#all(element.children, place);
  }

  #use(element: SvgElement, place: Place): void {
    const { x, y, width, height } = element.attributes;
    const href = hrefOf(element)?.trim();
    const target = href?.startsWith('#') ? this.#tree.byId.get(href.slice(1)) : undefined;
    if (!target) {
      this.#leftOut.outside++;
      return;
    }
    const moved: Matrix = [
      1,
      0,
      0,
      1,
      unitsOf(x, place.viewport.width) ?? 0,
      unitsOf(y, place.viewport.height) ?? 0,
    ];
    const there = { ...place, matrix: times(place.matrix, moved) };
    if (target.name !== 'symbol' && target.name !== 'svg') return this.#element(target, there);
    // What is used is as large as the use says.
    const sized = { ...target.attributes, ...(width ? { width } : {}), ...(height ? { height } : {}) };
    const look = this.#styles.of(target, place.look);
    if (isHidden(look)) return;
    this.#all(target.children, framed({ ...target, attributes: sized }, { ...there, look }));
  }

  #shape(element: SvgElement, { matrix, look, viewport }: Place): void {
    if (look.visibility === 'hidden' || look.visibility === 'collapse') return;
    const fill = element.name === 'line' ? 'none' : paintOf(look, 'fill');
    const line = paintOf(look, 'stroke');
    const stroke = strokeOf(look, viewport);
    const isStroked = line !== 'none' && stroke.width > 0;
    if (fill === 'none' && !isStroked) return;
    const d = pathDataOf(element, viewport);
    if (d === undefined || d.trim() === 'none') return;
    this.#pathCharacters += d.length;
    if (this.#pathCharacters > MOST_PATH_CHARACTERS)
      throw new FormatError(say('the drawing has paths that are too long: simplify it first'));
    const path = curvesOf(d);
    if (fill !== 'none') {
      const rule = look['fill-rule'] === 'evenodd' ? 'evenodd' : 'nonzero';
      this.marks.push({ path, matrix, paint: fill, area: { kind: 'fill', rule } });
    }
    if (!isStroked) return;
    this.marks.push({ path, matrix, paint: line, area: { kind: 'stroke', stroke } });
    this.#isDashed ||=
      said(look['stroke-dasharray']) && numbersOf(look['stroke-dasharray']).some((n) => n > 0);
    this.#isMarked ||= ['marker', 'marker-start', 'marker-mid', 'marker-end'].some((each) =>
      said(look[each]),
    );
  }
}

/** The place inside an element with a measure of its own. */
function framed({ attributes }: SvgElement, place: Place): Place {
  const { viewport } = place;
  const into = {
    x: unitsOf(attributes.x, viewport.width) ?? 0,
    y: unitsOf(attributes.y, viewport.height) ?? 0,
    width: unitsOf(attributes.width, viewport.width) ?? viewport.width,
    height: unitsOf(attributes.height, viewport.height) ?? viewport.height,
  };
  const box = viewBoxOf(attributes.viewBox);
  if (!box) return { ...place, matrix: times(place.matrix, [1, 0, 0, 1, into.x, into.y]), viewport: into };
  return {
    ...place,
    matrix: times(place.matrix, fitted(box, into, attributes.preserveAspectRatio)),
    viewport: { width: box[2], height: box[3] },
  };
}

function strokeOf(look: Look, viewport: Viewport): Stroke {
  const diagonal = Math.hypot(viewport.width, viewport.height) / Math.SQRT2;
  const cap = look['stroke-linecap'];
  const join = look['stroke-linejoin'];
  return {
    width: unitsOf(look['stroke-width'], diagonal) ?? 1,
    cap: cap === 'round' || cap === 'square' ? cap : 'butt',
    join: join === 'round' || join === 'bevel' ? join : 'miter',
    miterLimit: Math.min(LONGEST_MITER, numbersOf(look['stroke-miterlimit'] ?? '')[0] ?? 4),
  };
}

function isHidden(look: Look): boolean {
  return look.display === 'none' || isNothing(look.opacity);
}

function said(value: string | undefined): value is string {
  return value !== undefined && value !== 'none' && value !== '';
}
