import { beforeAll, describe, expect, it } from 'vitest';
import { nodeWorkshop } from '../../node/workshop.ts';
import type { Region } from '../recipe/index.ts';
import type { LetterFont } from './letters.ts';

let font: LetterFont;
beforeAll(async () => ({ font } = await nodeWorkshop()));

function extent(region: Region): { width: number; low: number; high: number } {
  const points = region.flat();
  const xs = points.map(([x]) => x);
  const ys = points.map(([, y]) => y);
  return { width: Math.max(...xs) - Math.min(...xs), low: Math.min(...ys), high: Math.max(...ys) };
}

const outlines = (words: string, tallMm = 10) => font.outlines(words, tallMm).region;

describe('letters', () => {
  it('are as tall as they say, from the line upwards', () => {
    for (const tall of [3, 10, 42.5]) {
      const { low, high } = extent(outlines('HEFTIL', tall));
      expect(low).toBeCloseTo(0, 1);
      expect(high).toBeCloseTo(tall, 1);
    }
  });

  it('go below the line where a letter does', () => {
    expect(extent(outlines('gypsy')).low).toBeLessThan(-1);
  });

  it('have one outline for each piece and each opening', () => {
    const counts = { I: 1, O: 2, B: 3, i: 2, ä: 4, '8': 3, 'O O': 4 };
    for (const [words, count] of Object.entries(counts)) expect(outlines(words), words).toHaveLength(count);
  });

  it('grow in proportion', () => {
    const [small, large] = [extent(outlines('Basil', 5)), extent(outlines('Basil', 15))];
    expect(large.width / small.width).toBeCloseTo(3, 2);
  });

  it('stand closer where the font kerns them', () => {
    const apart = extent(outlines('A')).width + extent(outlines('V')).width;
    expect(extent(outlines('AV')).width).toBeLessThan(apart);
  });

  it('are all closed: no outline ends where it began', () => {
    for (const [[fx, fy], ...rest] of outlines('Greenhouse & Kit 2, äöüß?')) {
      const [lx, ly] = rest.at(-1)!;
      expect(Math.hypot(fx - lx, fy - ly)).toBeGreaterThan(1e-6);
    }
  });

  it('name each sign that the font lacks once, and no space', () => {
    expect(font.outlines('aΩb ΩΨ', 10).missing).toEqual(['Ω', 'Ψ']);
    expect(font.outlines('all there', 10).missing).toEqual([]);
  });
});
