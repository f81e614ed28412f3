import { beforeAll, describe, expect, it } from 'vitest';
import { nodeWorkshop } from '../../../node/workshop.ts';
import {
  BARE_LETTER,
  cutNames,
  cutsOfFont,
  DRAWING_FONT,
  fontNames,
  rangesOfCut,
  signCuts,
  thinnestStrokesOfCut,
  type CutName,
  type FontName,
} from '../../letters/index.ts';
import type { Lettering, Resolved } from '../../recipe/index.ts';
import { thinWalls, type Region } from '../../plane/index.ts';
import { RegionMath } from '../regionMath.ts';
import { written, type LetterFiles } from './written.ts';

let files: LetterFiles;
let math: RegionMath;
beforeAll(async () => {
  const workshop = await nodeWorkshop();
  files = workshop.fonts;
  math = new RegionMath(workshop.kernel);
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
const regionOf = (lettering: Resolved<Lettering>) => written(lettering, files).region;
const outlines = (words: string, mm = 10) => regionOf(set(words, { size: { by: 'height', mm } }));

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

  it('fit a width when they are told to, with spaces that do not grow along', () => {
    for (const spacingMm of [undefined, 2]) {
      const region = regionOf(set('Basil', { size: { by: 'width', mm: 50 }, spacingMm }));
      expect(extent(region).width).toBeCloseTo(50, 6);
    }
  });

  it('stand further apart by the spacing', () => {
    const [close, wide] = [set('HHH'), set('HHH', { spacingMm: 1.5 })].map((of) => extent(regionOf(of)));
    expect(wide.width - close.width).toBeCloseTo(3, 6);
  });

  it('stand on lines below each other, flush or centred', () => {
    const lows = (align: 'left' | 'middle' | 'right') => {
      const region = regionOf(set('IIII\nI', { align }));
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
    const region = regionOf(set('GREENHOUSE', { arcMm: 30 }));
    // The circle's middle lies 30 mm below the origin; feet stand on it and caps reach 10 mm outwards.
    const reach = region.flat().map(([x, y]) => Math.hypot(x, y + 30));
    expect(Math.min(...reach)).toBeGreaterThan(29);
    expect(Math.max(...reach)).toBeLessThan(41.5);
    expect(Math.max(...reach)).toBeGreaterThan(39.5);
    const inside = regionOf(set('GREENHOUSE', { arcMm: -30 })).flat();
    expect(Math.max(...inside.map(([x, y]) => Math.hypot(x, y - 30)))).toBeLessThan(31.5);
  });

  it('are read backwards when they are mirrored, and still turn the right way', () => {
    const plain = regionOf(set('F'));
    const mirrored = regionOf(set('F', { mirrored: true }));
    const signed = ([outline]: Region) =>
      outline.reduce((sum, [x, y], i) => {
        const [nx, ny] = outline[(i + 1) % outline.length];
        return sum + (x * ny - nx * y) / 2;
      }, 0);
    expect(signed(mirrored)).toBeCloseTo(signed(plain), 6);
    expect(extent(mirrored).width).toBeCloseTo(extent(plain).width, 9);
  });
});

/** How many pieces and how many openings an area has. */
const counted = (region: Region) => {
  const signed = math.joined([region]).map((outline) =>
    outline.reduce((sum, [x, y], i) => {
      const [nx, ny] = outline[(i + 1) % outline.length];
      return sum + (x * ny - nx * y) / 2;
    }, 0),
  );
  return [signed.filter((area) => area > 0).length, signed.filter((area) => area < 0).length];
};

describe('every font', () => {
  const all = Object.keys(fontNames) as FontName[];

  it.each(all)('%s is as tall as it says in every script', (font) => {
    // A Latin, a Greek and a Cyrillic letter.
    for (const tall of ['H', '\u0397', '\u041d']) {
      const { low, high } = extent(regionOf(set(tall, { font })));
      expect(high - low, tall).toBeGreaterThan(9);
      expect(high - low, tall).toBeLessThan(11);
    }
  });

  it.each(all)('%s sets a letter with its accent as one, above it', (font) => {
    for (const [plain, accented] of [
      ['e', 'ễ'],
      ['A', 'Ắ'],
      ['a', 'ą'],
      ['ω', 'ώ'],
      ['и', 'й'],
    ]) {
      // oxfmt-ignore
      const [bare, dressed] = [plain, accented].map((words) => extent(regionOf(set(words, { font }))));
      expect(dressed.high - dressed.low, accented).toBeGreaterThan(bare.high - bare.low + 0.5);
      expect(Math.abs(dressed.width - bare.width), accented).toBeLessThan(4);
    }
  });
});

describe('letters of the world', () => {
  it('are the same whether an accent is typed with its letter or after it', () => {
    for (const word of ['Zoë', 'Nguyễn', 'Ångström', 'Άννα', 'Йозеф'])
      expect(regionOf(set(word.normalize('NFD')))).toEqual(regionOf(set(word)));
  });

  it('are joined where they are written joined', () => {
    // lam, alef and the letters around them: what is joined is one piece, dots are pieces of their own.
    const joined = { بيت: [1, 5], محمد: [1, 0], سلام: [2, 0] };
    for (const [word, [bodies, dots]] of Object.entries(joined)) {
      const [pieces] = counted(regionOf(set(word, { font: 'rounded' })));
      expect(pieces, word).toBe(bodies + dots);
    }
    // Apart, as letters that have no neighbours, they are as many as there are letters.
    expect(counted(regionOf(set('م ح م د', { font: 'rounded' })))[0]).toBe(4);
  });

  it('are read from right to left where their script is', () => {
    // alef is a stroke and shin is broad: the word begins at the right.
    const word = regionOf(set('אאש', { font: 'rounded' }));
    const { width } = extent(word);
    const left = Math.min(...word.flat().map(([x]) => x));
    const broadest = math
      .joined([word])
      .toSorted((p, q) => extent([q]).width - extent([p]).width)[0]
      .map(([x]) => x);
    expect(Math.min(...broadest) - left).toBeLessThan(0.1 * width);
  });

  it('keep figures and Latin names in their own direction among those from right to left', () => {
    const only = (words: string) => extent(regionOf(set(words, { font: 'rounded' }))).width;
    const whole = extent(regionOf(set('דוד 12 Kim', { font: 'rounded' }))).width;
    expect(whole).toBeGreaterThan(only('דוד') + only('12') + only('Kim'));
    // The figures end with their 2: its right edge is left of the letters, which come first in reading.
    const twelve = math.joined([regionOf(set('12', { font: 'rounded' }))]);
    expect(twelve.length).toBeGreaterThan(1);
  });

  it('are set apart only where nothing joins them', () => {
    const widthOf = (words: string, spacingMm?: number) =>
      extent(regionOf(set(words, { font: 'rounded', spacingMm }))).width;
    expect(widthOf('محمد', 2)).toBeCloseTo(widthOf('محمد'), 9);
    expect(widthOf('דוד', 2)).toBeCloseTo(widthOf('דוד') + 4, 6);
  });

  it('flow into one where the font draws two as one, unless they are set apart', () => {
    const ligature = counted(regionOf(set('fi', { font: 'slab' })));
    const apart = counted(regionOf(set('fi', { font: 'slab', spacingMm: 0.01 })));
    expect(ligature).not.toEqual(apart);
  });

  it('carry their marks along a circle', () => {
    const straight = counted(regionOf(set('Nguyễn Ắ')));
    expect(counted(regionOf(set('Nguyễn Ắ', { arcMm: 25 })))).toEqual(straight);
  });
});

describe('the letters of a file', () => {
  /** What a class writes besides bare letters. */
  const marked = /[äöüßéèçñøåłşğıžőάέήϊώЁёЂђЄєІіЇїҐґễđơưپچگک]/u;
  const written = (name: CutName, which: RegExp) =>
    rangesOfCut(name)
      .flatMap(([first, last]) => Array.from({ length: last - first + 1 }, (_, i) => first + i))
      .map((code) => String.fromCodePoint(code))
      .filter((sign) => which.test(sign));

  it.each(cutNames.filter((name) => !signCuts.includes(name) && !cutsOfFont[DRAWING_FONT].includes(name)))(
    'in %s have the thinnest stroke that sentences say',
    (name: CutName) => {
      const file = files(name)!;
      const thinnest = (which: RegExp) => {
        const strokes = written(name, which).map((text) => {
          const [{ id }] = file.set({ text, cut: name, script: undefined, isRightToLeft: false });
          const region = math.joined([file.outline(id, 10 / file.capUnits)]);
          return thinWalls(region, 4)[0]?.widthMm ?? Infinity;
        });
        return Math.min(...strokes) / 10;
      };
      expect(thinnest(BARE_LETTER)).toBeCloseTo(thinnestStrokesOfCut[name]!.bare, 3);
      expect(thinnest(marked)).toBeCloseTo(thinnestStrokesOfCut[name]!.marked, 3);
    },
  );
});
