import { describe, expect, it } from 'vitest';
import { filling, lengthAlong } from './lengths.ts';
import type { Path } from './toolpath.ts';

const corner: Path = { role: 'span', points: [[0, 0], [3, 0], [3, 4]], closed: false, widthMm: 0.5 }; // oxfmt-ignore

describe('the length of a path', () => {
  it('is that of its pieces, and of the way back where it is closed', () => {
    expect(lengthAlong(corner)).toBe(7);
    expect(lengthAlong({ ...corner, closed: true })).toBe(12);
    expect(lengthAlong({ points: [[2, 2]], closed: false })).toBe(0);
  });
});

describe('paths that fill an area', () => {
  const widths = (mm2: number, ...paths: Path[]) => filling(paths, mm2).map(({ widthMm }) => widthMm);

  it('are made wider or narrower, all by one share, so that their plastic covers it', () => {
    // 3.5 mm² and 6 mm²: together 9.5.
    expect(widths(3.5 * 1.2, corner)).toEqual([expect.closeTo(0.6, 9)]);
    const both = filling([corner, { ...corner, closed: true }], 9.5 * 0.9);
    expect(both.map(({ widthMm }) => widthMm)).toEqual(
      [0.45, 0.45].map((mm) => expect.closeTo(mm, 9) as number),
    );
    expect(both[0].points).toEqual(corner.points);
  });

  it('by no more than a line can be', () => {
    expect(widths(100, corner)).toEqual([expect.closeTo(0.65, 9)]);
    expect(widths(0.1, corner)).toEqual([expect.closeTo(0.5 / 1.3, 9)]);
  });

  it('are left out where they have no length', () => {
    expect(filling([{ ...corner, points: [[1, 1]] }], 4)).toEqual([]);
    expect(filling([], 4)).toEqual([]);
  });
});
