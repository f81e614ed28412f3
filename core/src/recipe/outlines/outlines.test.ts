import fc from 'fast-check';
import { beforeAll, describe, expect, it } from 'vitest';
import { nodeWorkshop } from '../../../node/workshop.ts';
import { outlineKit, Refused } from '../../../test/outlineKit.ts';
import { extentOf, regionAreaOf, signedAreaOf, type Region } from '../../plane/index.ts';
import type { OutlineKit } from './outlineKind.ts';
import { outlineRegion, type OutlineSpec } from './index.ts';
import { roundedRectangleOutline } from './roundedRectangle.ts';
import type { Resolved } from '../amount.ts';

let kit: OutlineKit;
beforeAll(async () => (kit = outlineKit((await nodeWorkshop()).kernel)));

const region = (spec: Resolved<OutlineSpec>): Region => outlineRegion(spec, kit);
function refused(spec: Resolved<OutlineSpec>): Refused {
  try {
    region(spec);
  } catch (error) {
    if (error instanceof Refused) return error;
    throw error;
  }
  throw new Error('It was taken.');
}
const size = (of: Region) => {
  const { x, y } = extentOf(of);
  return [x.high - x.low, y.high - y.low];
};
const tenths = (low: number, high: number) =>
  fc.integer({ min: low * 10, max: high * 10 }).map((tenth) => tenth / 10);

describe('a rounded rectangle', () => {
  it('has the area of the rectangle less its corners, for any size and any corner that fits', () => {
    fc.assert(
      fc.property(tenths(2, 100), tenths(2, 100), fc.nat(1000), (width, depth, thousandths) => {
        const corner = ((thousandths / 1000) * Math.min(width, depth)) / 2;
        const exact = width * depth - (4 - Math.PI) * corner ** 2;
        // Straight edges cut the corners' arcs short, by no more than the arcs' length times the chords' error.
        const lost = exact - signedAreaOf(roundedRectangleOutline(width, depth, corner));
        expect(lost).toBeGreaterThan(-1e-7);
        expect(lost).toBeLessThanOrEqual(2 * Math.PI * corner * 0.01 + 1e-7);
      }),
    );
  });

  it('has no corner twice, not even where two arcs meet', () => {
    for (const [width, depth, corner] of [
      [20, 20, 10],
      [30, 20, 10],
      [30, 20, 0],
      [5, 5, 0.1],
    ]) {
      const outline = roundedRectangleOutline(width, depth, corner);
      outline.forEach(([x, y], i) => {
        const [nx, ny] = outline[(i + 1) % outline.length];
        expect(Math.hypot(nx - x, ny - y)).toBeGreaterThan(1e-6);
      });
    }
  });
});

const R = 12;
const areas: [string, Resolved<OutlineSpec>, number, [number, number]][] = [
  ['rectangle', { shape: 'roundedRectangle', widthMm: 70, depthMm: 25, cornerMm: 0 }, 1750, [70, 25]],
  ['circle', { shape: 'circle', diameterMm: 24 }, Math.PI * R * R, [24, 24]],
  ['ellipse', { shape: 'ellipse', widthMm: 30, depthMm: 20 }, Math.PI * 15 * 10, [30, 20]],
  [
    'hexagon across flats',
    { shape: 'polygon', sides: 6, across: 'flats', acrossMm: 13 },
    2 * Math.sqrt(3) * 6.5 ** 2,
    [(2 * 13) / Math.sqrt(3), 13],
  ],
  ['square across corners', { shape: 'polygon', sides: 4, across: 'corners', acrossMm: 20 }, 200, [20 / Math.SQRT2, 20 / Math.SQRT2]],
  ['slot', { shape: 'slot', lengthMm: 24, widthMm: 8 }, 16 * 8 + Math.PI * 16, [24, 8]],
  ['ring', { shape: 'ring', outerMm: 30, innerMm: 20 }, Math.PI * (225 - 100), [30, 30]],
  ['quarter of a circle', { shape: 'sector', diameterMm: 40, deg: 90 }, Math.PI * 100, [40 / Math.SQRT2, 20]],
  [
    'heart',
    { shape: 'heart', widthMm: 20 },
    (20 / (1 + Math.SQRT1_2)) ** 2 * (1 + Math.PI / 4),
    [20, NaN],
  ],
  [
    'star',
    { shape: 'star', points: 5, outerMm: 20, innerMm: 9 },
    5 * 10 * 4.5 * Math.sin(Math.PI / 5),
    [2 * 10 * Math.cos(Math.PI / 10), NaN],
  ],
  [
    'drop',
    { shape: 'drop', diameterMm: 20, lengthMm: 34 },
    100 * (Math.PI - Math.acos(10 / 24)) + 10 * Math.sqrt(24 ** 2 - 100),
    [20, 34],
  ],
  [
    'rectangle with one round side',
    {
      shape: 'points',
      nodes: [
        { xMm: 0, yMm: 0 },
        { xMm: 20, yMm: 0, bend: 100 },
        { xMm: 20, yMm: 10 },
        { xMm: 0, yMm: 10 },
      ],
      closed: true,
      smooth: false,
      mirrored: false,
    },
    200 + (Math.PI * 25) / 2,
    [25, 10],
  ],
  [
    'triangle and its mirror image',
    {
      shape: 'points',
      nodes: [
        { xMm: 0, yMm: 0 },
        { xMm: 8, yMm: 4 },
        { xMm: 0, yMm: 12 },
      ],
      closed: true,
      smooth: false,
      mirrored: true,
    },
    96,
    [16, 12],
  ],
  [
    'half a coin and its mirror image, the bend on both sides',
    {
      shape: 'points',
      nodes: [
        { xMm: 0, yMm: -10, bend: 100 },
        { xMm: 0, yMm: 10 },
      ],
      closed: true,
      smooth: false,
      mirrored: true,
    },
    Math.PI * 100,
    [20, 20],
  ],
  [
    'rectangle drawn off the line and mirrored',
    {
      shape: 'points',
      nodes: [
        { xMm: 3, yMm: 0 },
        { xMm: 10, yMm: 0 },
        { xMm: 10, yMm: 5 },
        { xMm: 3, yMm: 5 },
      ],
      closed: true,
      smooth: false,
      mirrored: true,
    },
    100,
    [20, 5],
  ],
  [
    'drawing from a file',
    { shape: 'svg', name: 'x', widthMm: 60, outlines: [[0, 0, 4, 0, 4, 3, 0, 3], [1, 1, 1, 2, 3, 2, 3, 1]] },
    (12 - 2) * 15 ** 2,
    [60, 45],
  ],
  ['outline of another step, grown', { shape: 'ofStep', of: { step: 's1' }, growMm: 2 }, 44 * 24, [44, 24]],
  [
    'combined outline',
    {
      shape: 'combined',
      pieces: [
        { id: 'p1', how: 'and', outline: { shape: 'roundedRectangle', widthMm: 20, depthMm: 10, cornerMm: 0 }, place: { from: 'middle', xMm: 0, yMm: 0 } },
        { id: 'p2', how: 'and', outline: { shape: 'roundedRectangle', widthMm: 10, depthMm: 4, cornerMm: 0 }, place: { from: 'middle', xMm: 0, yMm: 7 }, turnDeg: 90 },
        { id: 'p3', how: 'without', outline: { shape: 'roundedRectangle', widthMm: 4, depthMm: 4, cornerMm: 0 }, place: { from: 'middle', xMm: 0, yMm: 0 } },
      ],
    },
    200 + 4 * 7 - 16,
    [20, 17],
  ],
]; // oxfmt-ignore

describe('outlines', () => {
  it.each(areas)('a %s has the area it must have', (_, spec, area) => {
    // Curves are cut short by their chords, by less than their length times the chords' error.
    const got = regionAreaOf(region(spec));
    expect(got).toBeLessThan(area * 1.0005);
    expect(got).toBeGreaterThan(area * 0.993);
  });

  it.each(areas)('a %s is as large as it says', (_, spec, __, [width, depth]) => {
    const [gotWidth, gotDepth] = size(region(spec));
    expect(gotWidth).toBeCloseTo(width, 1);
    if (!Number.isNaN(depth)) expect(gotDepth).toBeCloseTo(depth, 1);
  });

  it('have a flat side at the front, whatever the number of their sides', () => {
    for (const sides of [3, 4, 5, 7]) {
      const [corners] = region({ shape: 'polygon', sides, across: 'corners', acrossMm: 20 });
      const front = Math.min(...corners.map(([, y]) => y));
      expect(corners.filter(([, y]) => y < front + 1e-6)).toHaveLength(2);
    }
  });

  it('go through a drawn point in the direction from the one before to the one after', () => {
    const nodes = [[0, 0], [10, -2], [16, 7], [5, 12]].map(([xMm, yMm]) => ({ xMm, yMm })); // oxfmt-ignore
    const [curve] = region({ shape: 'points', nodes, closed: true, smooth: true, mirrored: false });
    for (const [i, { xMm, yMm }] of nodes.entries()) {
      const [before, after] = [nodes[(i + 3) % 4], nodes[(i + 1) % 4]];
      const at = curve.findIndex(([x, y]) => Math.hypot(x - xMm, y - yMm) < 1e-6);
      const [px, py] = curve[(at + curve.length - 1) % curve.length];
      const [nx, ny] = curve[(at + 1) % curve.length];
      const turn = Math.atan2(ny - py, nx - px) - Math.atan2(after.yMm - before.yMm, after.xMm - before.xMm);
      expect(Math.abs(Math.sin(turn))).toBeLessThan(0.15);
      expect(Math.cos(turn)).toBeGreaterThan(0);
    }
  });
});

describe('outlines that cannot be', () => {
  const drawn = (nodes: [number, number][], closed = true): Resolved<OutlineSpec> => ({
    shape: 'points',
    nodes: nodes.map(([xMm, yMm]) => ({ xMm, yMm })),
    closed,
    smooth: false,
    mirrored: false,
  });

  it('say where they cross themselves', () => {
    const bow = refused(drawn([[0, 0], [10, 10], [10, 0], [0, 10]])); // oxfmt-ignore
    expect(bow.message).toBe(
      'The outline crosses itself at 5, 5: move a point so that the lines do not cross.',
    );
    expect(bow.at).toEqual([5, 5]);
  });

  it('say to a tenth of a millimetre where they cross', () => {
    const bow = refused(drawn([[0, 0], [10, 10], [10, 0], [0, 10.8]])); // oxfmt-ignore
    // The lines y = x and y = 10.8 − 1.08 x meet at 10.8 / 2.08.
    expect(bow.message).toContain('at 5.2, 5.2');
    expect(bow.at![0]).toBeCloseTo(10.8 / 2.08, 9);
  });

  it('say how large the gap is that leaves them open, and where', () => {
    const open = refused(drawn([[0, 0], [10, 0], [10, 10], [0, 3]], false)); // oxfmt-ignore
    expect(open.message).toContain('a gap of 3 mm');
    expect(open.at).toEqual([0, 1.5]);
    const aslant = refused(drawn([[1, 2], [10, 0], [10, 10], [4, 6]], false)); // oxfmt-ignore
    expect(aslant.message).toContain('a gap of 5 mm');
    expect(aslant.at).toEqual([2.5, 4]);
  });

  it.each<[string, Resolved<OutlineSpec>, string]>([
    ['corners', { shape: 'roundedRectangle', widthMm: 30, depthMm: 20, cornerMm: 10.5 }, 'at most 10 mm'],
    ['a slot', { shape: 'slot', lengthMm: 3, widthMm: 4 }, 'at least as long'],
    ['a ring', { shape: 'ring', outerMm: 10, innerMm: 10 }, 'inside smaller than the outside'],
    ['a star', { shape: 'star', points: 5, outerMm: 10, innerMm: 11 }, 'inside smaller than the outside'],
    ['a drop', { shape: 'drop', diameterMm: 10, lengthMm: 9 }, 'longer than'],
    ['two points', drawn([[0, 0], [1, 1]]), 'too few points'], // oxfmt-ignore
    ['a border that is all of it', { shape: 'ofStep', of: { step: 's1' }, growMm: -10 }, 'nothing is left'],
  ])('say what is wrong: %s', (_, spec, words) => {
    expect(refused(spec).message).toContain(words);
  });

  it.each<[string, Resolved<OutlineSpec>, (string | number)[]]>([
    ['a corner', { shape: 'roundedRectangle', widthMm: 30, depthMm: 20, cornerMm: 10.5 }, ['cornerMm']],
    ['a slot', { shape: 'slot', lengthMm: 3, widthMm: 4 }, ['lengthMm']],
    ['a ring', { shape: 'ring', outerMm: 10, innerMm: 10 }, ['innerMm']],
    ['a star', { shape: 'star', points: 5, outerMm: 10, innerMm: 11 }, ['innerMm']],
    ['a drop', { shape: 'drop', diameterMm: 10, lengthMm: 9 }, ['lengthMm']],
    ['two points', drawn([[0, 0], [1, 1]]), ['nodes']], // oxfmt-ignore
    ['a gap', drawn([[0, 0], [10, 0], [10, 10], [0, 3]], false), ['nodes']], // oxfmt-ignore
    ['lines that cross', drawn([[0, 0], [10, 10], [10, 0], [0, 10]]), ['nodes']], // oxfmt-ignore
    ['a border', { shape: 'ofStep', of: { step: 's1' }, growMm: -10 }, ['growMm']],
  ])('lead to the number that has to change: %s', (_, spec, path) => {
    expect(refused(spec).path).toEqual(path);
  });
});
