import type { CrossSection, FillRule, ManifoldToplevel, Polygons, SimplePolygon } from 'manifold-3d';
import { memoryViews, type MemoryViews } from './kernelMemory.ts';

/**
 * A list on the kernel's side of the binding; it has to be deleted there. In the kernel's memory it is three addresses: of its
 * first element, of the end of its last, and of the end of its room.
 */
interface BoundList {
  readonly $$: { readonly ptr: number };
  delete(): void;
}
interface FilledList<T> extends BoundList {
  resize(count: number, element: T): void;
  push_back(element: T): void;
}
type Corners = FilledList<{ readonly x: number; readonly y: number }>;
type Outlines = FilledList<Corners>;

/** What the binding keeps to itself. */
interface Bound {
  readonly Vector_vec2: new () => Corners;
  readonly Vector2_vec2: new () => Outlines;
  _Triangulate(outlines: Outlines, epsilon: number, allowsConvex: boolean): BoundList;
}
interface BoundSection {
  _ToPolygons(): Outlines;
  toPolygons(): [number, number][][];
}
type SectionClass = new (outlines: Outlines, rule: number) => CrossSection;

/** The numbers by which the kernel knows its rules. */
const RULES: Record<FillRule, number> = { EvenOdd: 0, NonZero: 1, Positive: 2, Negative: 3 };
const WORD_BYTES = 4;
const REAL_BYTES = 8;
const LIST_WORDS = 3;
const ORIGIN = { x: 0, y: 0 };

/**
 * Hands polygons to the kernel and from it through its memory. Its own binding does so corner by corner, in calls that together
 * take longer than most of what is done to a polygon; and it fails for none at all.
 */
export function handPolygonsThroughMemory(kernel: ManifoldToplevel): void {
  const bound = kernel as unknown as Bound;
  const memory = memoryViews(kernel);
  const withOutlines = <T>(polygons: Polygons, work: (list: Outlines) => T): T => {
    const list = outlinesOf(isOutline(polygons) ? [polygons] : polygons, bound, memory);
    try {
      return work(list);
    } finally {
      list.delete();
    }
  };

  const { CrossSection: First } = kernel;
  // Sections are of the class behind the one that is called.
  const section = Object.getPrototypeOf(First.prototype) as BoundSection & { constructor: SectionClass };
  const Section = section.constructor;
  const ofPolygons = (polygons: Polygons, rule: FillRule = 'Positive') =>
    withOutlines(polygons, (list) => new Section(list, RULES[rule]));
  function Called(polygons: Polygons, rule?: FillRule) {
    return ofPolygons(polygons, rule);
  }
  Called.prototype = First.prototype;
  Object.assign(kernel, { CrossSection: Object.assign(Called, First, { ofPolygons }) });
  section.toPolygons = function () {
    const list = this._ToPolygons();
    try {
      return polygonsIn(list, memory());
    } finally {
      list.delete();
    }
  };
  kernel.triangulate = (polygons, epsilon = -1, allowsConvex = true) =>
    withOutlines(polygons, (list) => {
      const triangles = bound._Triangulate(list, epsilon, allowsConvex);
      try {
        return trianglesIn(triangles, memory());
      } finally {
        triangles.delete();
      }
    });
}

/** The kernel takes a single outline for a list of it. */
const isOutline = (polygons: Polygons): polygons is SimplePolygon => typeof polygons[0]?.[0] === 'number';

function outlinesOf(outlines: readonly SimplePolygon[], bound: Bound, memory: () => MemoryViews): Outlines {
  const list = new bound.Vector2_vec2();
  for (const outline of outlines) {
    const corners = new bound.Vector_vec2();
    corners.resize(outline.length, ORIGIN);
    const views = memory();
    let real = reachOf(corners, views).begin / REAL_BYTES;
    for (const [x, y] of outline) {
      views.reals[real++] = x;
      views.reals[real++] = y;
    }
    list.push_back(corners);
    corners.delete();
  }
  return list;
}

function polygonsIn(list: Outlines, views: MemoryViews): [number, number][][] {
  const polygons: [number, number][][] = [];
  const { begin, end } = reachOf(list, views);
  for (let word = begin / WORD_BYTES; word < end / WORD_BYTES; word += LIST_WORDS) {
    const polygon: [number, number][] = [];
    const endOfReals = views.words[word + 1] / REAL_BYTES;
    for (let real = views.words[word] / REAL_BYTES; real < endOfReals; real += 2)
      polygon.push([views.reals[real], views.reals[real + 1]]);
    polygons.push(polygon);
  }
  return polygons;
}

function trianglesIn(list: BoundList, views: MemoryViews): [number, number, number][] {
  const triangles: [number, number, number][] = [];
  const { begin, end } = reachOf(list, views);
  for (let word = begin / WORD_BYTES; word < end / WORD_BYTES; word += 3)
    triangles.push([views.words[word], views.words[word + 1], views.words[word + 2]]);
  return triangles;
}

/** From where to where the elements of a list lie in the kernel's memory, in bytes. */
function reachOf(list: BoundList, { words }: MemoryViews): { begin: number; end: number } {
  const word = list.$$.ptr / WORD_BYTES;
  return { begin: words[word], end: words[word + 1] };
}
