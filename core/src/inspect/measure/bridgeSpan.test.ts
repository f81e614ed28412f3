import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { turned, type Point } from '../../plane/index.ts';
import { shortestSpan, spanInPieces, type CeilingEdge } from './bridgeSpan.ts';

const LINE_MM = 0.4;

/** The edges of an outline; `held` says which of them are, by their numbers. */
const edgesOf = (outline: readonly Point[], held: readonly number[] | 'all'): CeilingEdge[] =>
  outline.map((from, i) => ({
    from,
    to: outline[(i + 1) % outline.length],
    held: held === 'all' || held.includes(i),
  }));
const rectangle = (w: number, d: number): Point[] => [[0, 0], [w, 0], [w, d], [0, d]]; // oxfmt-ignore
const turnedBy = (outline: readonly Point[], deg: number): Point[] => turned([[...outline]], deg)[0];

describe('the span of a ceiling', () => {
  it('is its width between the walls that hold it, whichever they are and however it lies', () => {
    const tenths = fc.integer({ min: 20, max: 300 }).map((n) => n / 10);
    fc.assert(
      fc.property(tenths, tenths, fc.integer({ min: 0, max: 719 }), (w, d, halves) => {
        const outline = turnedBy(rectangle(w, d), halves / 2);
        expect(shortestSpan(edgesOf(outline, [1, 3]), LINE_MM)!.mm).toBeCloseTo(w, 6);
        expect(shortestSpan(edgesOf(outline, [0, 2]), LINE_MM)!.mm).toBeCloseTo(d, 6);
        expect(shortestSpan(edgesOf(outline, 'all'), LINE_MM)!.mm).toBeCloseTo(Math.min(w, d), 6);
      }),
    );
  });

  it('is none where one side, or no side, or two that meet are held', () => {
    for (const held of [[], [0], [2], [0, 1]]) {
      for (const deg of [0, 17, 90]) {
        const edges = edgesOf(turnedBy(rectangle(20, 12), deg), held);
        expect(shortestSpan(edges, LINE_MM)).toBeUndefined();
        expect(spanInPieces(edges, LINE_MM)).toBeUndefined();
      }
    }
  });

  it('is the longest of the lines of one direction: of a triangle nearly its lowest height', () => {
    // Held all around, lines run square to the longest side; the longest of them is the height on it.
    const outline: Point[] = [[0, 0], [20, 0], [8, 9]]; // oxfmt-ignore
    for (const deg of [0, 33, 140])
      expect(shortestSpan(edgesOf(turnedBy(outline, deg), 'all'), LINE_MM)!.mm).toBeCloseTo(9, 1);
  });

  it('of a round ceiling is about its diameter', () => {
    const circle = Array.from({ length: 90 }, (_, i): Point => {
      const angle = (2 * Math.PI * (i + 0.3)) / 90;
      return [6 * Math.cos(angle), 6 * Math.sin(angle)];
    });
    const { mm } = shortestSpan(edgesOf(circle, 'all'), LINE_MM)!;
    expect(mm).toBeGreaterThan(11.9);
    expect(mm).toBeLessThanOrEqual(12);
  });

  it('goes round an opening that holds it, and not over it', () => {
    const outer = edgesOf(rectangle(30, 30), 'all');
    const post = edgesOf(rectangle(10, 10).map(([x, y]): Point => [x + 10, y + 10]).toReversed(), 'all'); // oxfmt-ignore
    // Lines beside the post are as long as the ceiling; over corner, the longest just pass a corner of the post.
    expect(shortestSpan([...outer, ...post], LINE_MM)!.mm).toBeCloseTo(20 * Math.SQRT2, 6);
    // Where the post holds nothing, a line ends in the air beside it.
    const loose = post.map((edge) => ({ ...edge, held: false }));
    expect(shortestSpan([...outer, ...loose], LINE_MM)).toBeUndefined();
  });

  it('bears lines in the air up to one line’s width beside those that are held', () => {
    // A mouth: the last strip of the ceiling is held at one end alone.
    const mouth = (wideMm: number): CeilingEdge[] => [
      { from: [0, 0], to: [20, 0], held: false },
      { from: [20, 0], to: [20, wideMm], held: false },
      { from: [20, wideMm], to: [20, 10], held: true },
      { from: [20, 10], to: [0, 10], held: false },
      { from: [0, 10], to: [0, 0], held: true },
    ];
    expect(shortestSpan(mouth(0.9 * LINE_MM), LINE_MM)!.mm).toBeCloseTo(20, 6);
    expect(shortestSpan(mouth(1.1 * LINE_MM), LINE_MM)).toBeUndefined();
  });

  it('bears lines that are as short as they are wide, but for more than three side by side', () => {
    // A strip of a line's width that is held nowhere along it.
    const twig = (longMm: number) => edgesOf(rectangle(0.95 * LINE_MM, longMm), []);
    const [bridge] = [edgesOf(rectangle(10, 6).map(([x, y]): Point => [x + 20, y]), [1, 3])]; // oxfmt-ignore
    expect(shortestSpan([...bridge, ...twig(2.9 * LINE_MM)], LINE_MM)!.mm).toBeCloseTo(10, 6);
    expect(shortestSpan([...bridge, ...twig(3.2 * LINE_MM)], LINE_MM)).toBeUndefined();
  });

  it('takes corners that rounding has put beside each other for one', () => {
    const skewed: Point[] = [[0, 0], [20, 0.004], [20, 12.003], [0, 12]]; // oxfmt-ignore
    expect(shortestSpan(edgesOf(skewed, [1, 3]), LINE_MM)!.mm).toBeCloseTo(20, 2);
  });
});

describe('the span of a ceiling in pieces', () => {
  /** Where two tunnels of a width cross: the walls along them hold it, and their mouths do not. */
  const crossing = (wide: number, long: number): CeilingEdge[] => {
    const h = wide / 2;
    const outline: Point[] = [
      [-long, -h], [-h, -h], [-h, -long], [h, -long], [h, -h], [long, -h],
      [long, h], [h, h], [h, long], [-h, long], [-h, h], [-long, h],
    ]; // oxfmt-ignore
    return edgesOf(outline, [0, 1, 3, 4, 6, 7, 9, 10]);
  };

  it('where two tunnels cross is the way over corner, and no direction bridges all of it', () => {
    for (const wide of [6, 10]) {
      const edges = crossing(wide, 16);
      expect(shortestSpan(edges, LINE_MM)).toBeUndefined();
      const { mm } = spanInPieces(edges, LINE_MM)!;
      // From the middle it is the square root of two times as far, and from beside a wall half as far again at most.
      expect(mm / wide).toBeGreaterThan(Math.SQRT2);
      expect(mm / wide).toBeLessThan(1.5 * Math.SQRT2);
    }
  });

  it('is that of the ceiling where one direction would do', () => {
    for (const deg of [0, 25, 90]) {
      const edges = edgesOf(turnedBy(rectangle(9, 20), deg), [1, 3]);
      expect(spanInPieces(edges, LINE_MM)!.mm).toBeGreaterThanOrEqual(9 - 1e-6);
      expect(spanInPieces(edges, LINE_MM)!.mm).toBeLessThan(9.6);
    }
  });
});
