import { describe, expect, it } from 'vitest';
import { checks, svgOf, whyOf } from '../index.ts';

const SHAPES = ['solid', 'trouble', 'air', 'line', 'measured', 'layer'];

describe.each(checks.map(({ id }) => id))('why %s is checked', (id) => {
  const why = whyOf(id)!;

  it('is drawn by closed or open paths of shapes that pages know, all of them inside of the drawing', () => {
    expect(why.drawing.length).toBeGreaterThan(0);
    for (const [shape, path] of why.drawing) {
      expect(SHAPES).toContain(shape);
      expect(path).toMatch(/^M[\dMLHVCSQAZmlhvcsqaz .,-]+$/);
      for (const [, x, y] of path.matchAll(/[ML](-?[\d.]+)[ ,](-?[\d.]+)/g)) {
        expect(Number(x)).toBeGreaterThanOrEqual(0);
        expect(Number(x)).toBeLessThanOrEqual(120);
        expect(Number(y)).toBeGreaterThanOrEqual(0);
        expect(Number(y)).toBeLessThanOrEqual(60);
      }
    }
    expect(svgOf(why.drawing).match(/<path /g)!.length).toBe(why.drawing.length + 1);
  });

  it('is told in two sentences', () => {
    expect(why.words).toHaveLength(2);
    for (const words of why.words) expect(words).toMatch(/^[A-Z“].*[.!?]$/);
  });
});
