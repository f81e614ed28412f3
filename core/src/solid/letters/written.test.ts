import { beforeAll, describe, expect, it } from 'vitest';
import { nodeWorkshop } from '../../node/workshop.ts';
import {
  fontNames,
  thinnestStroke,
  type FontName,
  type Lettering,
  type Region,
  type Resolved,
} from '../recipe/index.ts';
import { thinWalls } from '../plane/index.ts';
import type { LetterFont, LetterFonts } from './letters.ts';
import { RegionMath } from './regionMath.ts';

let font: LetterFont;
let all: LetterFonts;
let math: RegionMath;
beforeAll(async () => {
  const workshop = await nodeWorkshop();
  all = workshop.fonts;
  math = new RegionMath(workshop.kernel);
  font = all('sturdy')!;
});

function extent(region: Region): { width: number; low: number; high: number } {
  const points = region.flat();
  const xs = points.map(([x]) => x);
  const ys = points.map(([, y]) => y);
  return { width: Math.max(...xs) - Math.min(...xs), low: Math.min(...ys), high: Math.max(...ys) };
}

const set = (words: string, rest: Partial<Resolved<Lettering>> = {}): Resolved<Lettering> => ({
  words,
  font: 'sturdy',
  size: { by: 'height', mm: 10 },
  ...rest,
});
const outlines = (words: string, mm = 10) => font.outlines(set(words, { size: { by: 'height', mm } })).region;

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
    expect(font.outlines(set('aΩb ΩΨ')).missing).toEqual(['Ω', 'Ψ']);
    expect(font.outlines(set('all there')).missing).toEqual([]);
  });

  it('fit a width when they are told to, with spaces that do not grow along', () => {
    for (const spacingMm of [undefined, 2]) {
      const { region } = font.outlines(set('Basil', { size: { by: 'width', mm: 50 }, spacingMm }));
      expect(extent(region).width).toBeCloseTo(50, 6);
    }
  });

  it('stand further apart by the spacing', () => {
    const [close, wide] = [set('HHH'), set('HHH', { spacingMm: 1.5 })].map((of) =>
      extent(font.outlines(of).region),
    );
    expect(wide.width - close.width).toBeCloseTo(3, 6);
  });

  it('stand on lines below each other, flush or centred', () => {
    const lows = (align: 'left' | 'middle' | 'right') => {
      const { region } = font.outlines(set('IIII\nI', { align }));
      const lower = region.filter((each) => Math.max(...each.map(([, y]) => y)) < 0);
      return [extent(region), extent(lower)].map((of, i) => {
        const xs = (i === 0 ? region : lower).flat().map(([x]) => x);
        return { ...of, left: Math.min(...xs), right: Math.max(...xs) };
      });
    };
    const [all, left] = lows('left');
    expect(left.left).toBeCloseTo(all.left, 1);
    const [, right] = lows('right');
    expect(right.right).toBeCloseTo(all.right, 0);
    const [, middle] = lows('middle');
    expect((middle.left + middle.right) / 2).toBeCloseTo((all.left + all.right) / 2, 0);
  });

  it('keep to the circle that they are set along', () => {
    const { region } = font.outlines(set('GREENHOUSE', { arcMm: 30 }));
    // The circle's middle lies 30 mm below the origin; feet stand on it and caps reach 10 mm outwards.
    const reach = region.flat().map(([x, y]) => Math.hypot(x, y + 30));
    expect(Math.min(...reach)).toBeGreaterThan(29);
    expect(Math.max(...reach)).toBeLessThan(41.5);
    expect(Math.max(...reach)).toBeGreaterThan(39.5);
    const inside = font.outlines(set('GREENHOUSE', { arcMm: -30 })).region.flat();
    expect(Math.max(...inside.map(([x, y]) => Math.hypot(x, y - 30)))).toBeLessThan(31.5);
  });

  it('are read backwards when they are mirrored, and still turn the right way', () => {
    const plain = font.outlines(set('F')).region;
    const mirrored = font.outlines(set('F', { mirrored: true })).region;
    const signed = ([outline]: Region) =>
      outline.reduce((sum, [x, y], i) => {
        const [nx, ny] = outline[(i + 1) % outline.length];
        return sum + (x * ny - nx * y) / 2;
      }, 0);
    expect(signed(mirrored)).toBeCloseTo(signed(plain), 6);
    expect(extent(mirrored).width).toBeCloseTo(extent(plain).width, 9);
  });
});

describe('every font', () => {
  it.each(Object.keys(fontNames) as FontName[])(
    '%s writes what a class writes, as tall as it says',
    (name) => {
      const of = all(name)!;
      const words =
        'ABCDEFGHIJKLMNOPQRSTUVWXYZ abcdefghijklmnopqrstuvwxyz 0123456789 ÄÖÜäöüßéèçñøå .,;:!?&+-/()';
      expect(of.outlines(set(words)).missing).toEqual([]);
      const { low, high } = extent(of.outlines(set('H')).region);
      expect(high - low).toBeGreaterThan(9);
      expect(high - low).toBeLessThan(11);
    },
  );
});

it.each(Object.keys(fontNames) as FontName[])(
  'the thinnest stroke of %s is what its sentence says',
  (name) => {
    const signs = [...'ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789'];
    const strokes = signs.map((sign) => {
      const { region } = all(name)!.outlines(set(sign, { font: name }));
      return thinWalls(math.joined([region]), 4)[0]?.widthMm ?? Infinity;
    });
    expect(Math.min(...strokes) / 10).toBeCloseTo(thinnestStroke[name], 3);
  },
);
