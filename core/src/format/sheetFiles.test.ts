import { XMLParser } from 'fast-xml-parser';
import { unzlibSync } from 'fflate';
import { describe, expect, it } from 'vitest';
import type { Sheet } from '../sheet/index.ts';
import { writeSheetPdf } from './sheetPdf.ts';
import { writeSheetSvg } from './sheetSvg.ts';

const square = (x: number, y: number, side: number) => [
  [
    [x, y],
    [x + side, y],
    [x + side, y + side],
    [x, y + side],
  ] as [number, number][],
];

/** A line of each kind, two words and a patch of colour. */
const sheet: Sheet = {
  widthMm: 297,
  heightMm: 210,
  title: 'Peg & hole <1>',
  author: 'Łucja',
  lines: [
    {
      kind: 'outline',
      points: [
        [20, 10],
        [287, 10],
        [287, 200],
      ],
    },
    {
      kind: 'hidden',
      points: [
        [30, 40],
        [50, 40],
      ],
    },
    {
      kind: 'centre',
      points: [
        [30, 50],
        [50, 50],
      ],
    },
  ],
  texts: [
    { words: 'Ø 4.5 < 5', region: square(100, 100, 3) },
    { words: 'Żółć', region: square(110, 100, 3) },
  ],
  fills: [{ region: square(200, 20, 4), colour: '#bb3426' }],
};

describe('a drawing sheet as SVG', () => {
  const text = writeSheetSvg(sheet);
  const { svg } = new XMLParser({ ignoreAttributes: false, attributeNamePrefix: '' }).parse(text);

  it('is as large as its paper, in millimetres from its upper left corner', () => {
    expect([svg.width, svg.height, svg.viewBox]).toEqual(['297mm', '210mm', '0 0 297 210']);
    expect(text).toContain('M20 200L287 200L287 10');
  });

  it('says what its areas of words say, whatever signs are in them', () => {
    expect(svg.title).toBe('Peg & hole <1>');
    const titles = svg.g[1].path.map((path: { title?: string }) => path.title);
    expect(titles).toEqual([undefined, 'Ø 4.5 < 5', 'Żółć']);
  });

  it('draws what is hidden thinner, in dashes', () => {
    const hidden = svg.g[0].path.find((path: { d: string }) => path.d === 'M30 170L50 170');
    const outline = svg.g[0].path.find((path: { d: string }) => path.d.startsWith('M20 200'));
    expect(Number(hidden['stroke-width'])).toBeLessThan(Number(outline['stroke-width']));
    expect(hidden['stroke-dasharray']).toBeTruthy();
    expect(outline['stroke-dasharray']).toBeUndefined();
  });
});

describe('a drawing sheet as PDF', () => {
  const at = new Date('2026-03-01T08:00:00Z');
  const written = async () => Buffer.from(await writeSheetPdf(sheet, at));
  /** What is drawn on the page. */
  const drawnIn = (bytes: Buffer) => {
    const from = bytes.indexOf('stream\n') + 'stream\n'.length;
    return Buffer.from(unzlibSync(bytes.subarray(from, bytes.indexOf('endstream', from)))).toString('latin1');
  };

  it('is a page of the size of its paper, in points', async () => {
    const [, width, height] = /MediaBox \[0 0 ([\d.]+) ([\d.]+)\]/.exec(
      (await written()).toString('latin1'),
    )!;
    expect(Number(width)).toBeCloseTo((297 / 25.4) * 72, 1);
    expect(Number(height)).toBeCloseTo((210 / 25.4) * 72, 1);
  });

  it('draws every line in millimetres from its lower left corner, and fills areas with their colour', async () => {
    const drawn = drawnIn(await written());
    // From the page, whose origin pdf files put into that corner, by millimetres.
    expect(drawn).toContain('20 10 m\n287 10 l\n287 200 l');
    expect(drawn).toContain('[1.6 0.8] 0 d');
    expect(drawn).toMatch(/0\.733\d* 0\.203\d* 0\.149\d* sc|0\.733\d* 0\.203\d* 0\.149\d* scn/);
    const scales = [...drawn.matchAll(/^(-?[\d.]+) 0 0 (-?[\d.]+) [\d.]+ ([\d.]+) cm$/gm)].map(([, x, y]) => [
      Number(x),
      Number(y),
    ]);
    const along = scales.reduce((all, [x]) => all * x, 1);
    const up = scales.reduce((all, [, y]) => all * y, 1);
    expect(along).toBeCloseTo(72 / 25.4, 4);
    expect(up).toBeCloseTo(72 / 25.4, 4);
  });

  it('tells those who cannot see it what its words say, and who drew it', async () => {
    const bytes = await written();
    const inBytes = (words: string) => Buffer.from(`\uFEFF${words}`, 'utf16le').swap16();
    for (const words of ['Żółć', 'Łucja']) expect(bytes.includes(inBytes(words))).toBe(true);
    expect(bytes.toString('latin1')).toContain('/ActualText');
  });
});
