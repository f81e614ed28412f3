import { beforeAll, describe, expect, it } from 'vitest';
import { nodeWorkshop } from '../../../node/workshop.ts';
import type { Outline } from '../../plane/index.ts';
import { Area, inScope, type Kernel } from '../../solid/index.ts';
import { everydaySettings } from '../settings/printSettings.ts';
import { lengthAlong } from '../paths/lengths.ts';
import type { Path } from '../paths/toolpath.ts';
import { bridgesOver } from './bridges.ts';

let kernel: Kernel;
beforeAll(async () => ({ kernel } = await nodeWorkshop()));

const box = (x0: number, y0: number, x1: number, y1: number): Outline => [
  [x0, y0],
  [x1, y0],
  [x1, y1],
  [x0, y1],
];

/** The lines that are laid over what `below` leaves open, by direction in degrees and length in mm. */
function lines(inside: Outline[], below: Outline[]): { deg: number; mm: number }[] {
  return linesOf(inside, below).map((path) => {
    const [[ax, ay], [bx, by]] = path.points;
    const deg = (Math.atan2(by - ay, bx - ax) * 180) / Math.PI;
    return { deg: Math.round((deg + 360) % 180), mm: lengthAlong(path) };
  });
}

function linesOf(inside: Outline[], below: Outline[]): readonly Path[] {
  return inScope((scope) => {
    const area = (outlines: Outline[]) =>
      Area.kept(scope, new kernel.CrossSection(outlines as [number, number][][], 'NonZero'));
    return bridgesOver(kernel, area(inside), area(below), everydaySettings).paths;
  });
}
const longest = (all: { mm: number }[]) => Math.max(...all.map(({ mm }) => mm));
/** How far lines lie on what holds them at both of their ends together, mm. */
const ON_SUPPORT = 2 * 2.5 * everydaySettings.lineWidthMm;

describe('a bridge', () => {
  it.each([
    [16, 10],
    [34, 30],
    [10, 40],
    [3, 3],
  ])('of %d mm between two walls that are %d mm long goes straight across', (gapMm, lengthMm) => {
    const found = lines(
      [box(-5, 0, gapMm + 5, lengthMm)],
      [box(-5, 0, 0, lengthMm), box(gapMm, 0, gapMm + 5, lengthMm)],
    );
    expect(new Set(found.map(({ deg }) => deg))).toEqual(new Set([0]));
    expect(longest(found)).toBeLessThanOrEqual(gapMm + ON_SUPPORT + 0.01);
    expect(found.length).toBeGreaterThan(0.8 * (lengthMm / everydaySettings.lineWidthMm));
  });

  it.each([10, 10.2, 7.77, 3])('that is %f mm wide leaves no slot beside either side of it', (wideMm) => {
    const found = linesOf([box(-5, 0.1, 17, 0.1 + wideMm)], [box(-5, 0.1, 0, 0.1 + wideMm), box(12, 0.1, 17, 0.1 + wideMm)]); // oxfmt-ignore
    const rows = found.map(({ points }) => points[0][1] - 0.1).toSorted((a, b) => a - b);
    const half = everydaySettings.lineWidthMm / 2;
    expect(rows[0]).toBeLessThan(1.1 * half);
    expect(wideMm - rows.at(-1)!).toBeLessThan(1.1 * half);
    rows.slice(1).forEach((row, i) => expect(row - rows[i]).toBeLessThan(2.2 * half));
  });

  it('in a frame that holds it all around takes the shorter way', () => {
    const [outer, hole] = [box(0, 0, 44, 26), box(5, 5, 39, 21)];
    const found = lines([outer], [outer, hole.toReversed()]);
    expect(new Set(found.map(({ deg }) => deg))).toEqual(new Set([90]));
    expect(longest(found)).toBeLessThanOrEqual(16 + ON_SUPPORT + 0.01);
  });

  it('lies as the gap does, in steps of fifteen degrees', () => {
    const turned = (outline: Outline): Outline => {
      const [c, s] = [Math.cos(Math.PI / 6), Math.sin(Math.PI / 6)];
      return outline.map(([x, y]) => [x * c - y * s, x * s + y * c]);
    };
    const found = lines(
      [turned(box(-5, 0, 15, 30))],
      [turned(box(-5, 0, 0, 30)), turned(box(10, 0, 15, 30))],
    );
    expect(new Set(found.map(({ deg }) => deg))).toEqual(new Set([30]));
  });

  it('over two channels that cross goes across each of them, and no line runs along one into the air', () => {
    const blocks = [-1, 1].flatMap((x) =>
      [-1, 1].map((y) =>
        box(Math.min(x, 10 * x), Math.min(y, 10 * y), Math.max(x, 10 * x), Math.max(y, 10 * y)),
      ),
    );
    const found = lines([box(-10, -10, 10, 10)], blocks);
    expect(longest(found)).toBeLessThan(2 + 2 * ON_SUPPORT);
    expect(found.filter(({ deg }) => deg === 0).length).toBeGreaterThan(20);
    expect(found.filter(({ deg }) => deg === 90).length).toBeGreaterThan(20);
  });

  it('is none where one side alone holds it, nor over a crack', () => {
    expect(lines([box(-5, 0, 20, 10)], [box(-5, 0, 0, 10)])).toEqual([]);
    expect(lines([box(-5, 0, 5.5, 1.5)], [box(-5, 0, 0, 1.5), box(0.9, 0, 5.5, 1.5)])).toEqual([]);
  });
});
