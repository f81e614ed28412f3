import { describe, expect, it } from 'vitest';
import type { Along } from '../placement.ts';
import { movedAlong, rounded } from './movedAlong.ts';
import { turnHandle } from './planHandles.ts';

describe('what a placement says once something was moved', () => {
  it.each<[Along, number, Along]>([
    [{ relation: 'centred' }, 2.5, { relation: 'centred', mm: 2.5 }],
    [{ relation: 'centred', mm: 2.5 }, -2.5, { relation: 'centred' }],
    [{ relation: 'centred', mm: -4 }, 1, { relation: 'centred', mm: -3 }],
    [{ relation: 'inFrom', edge: 'low', mm: 3 }, 1.2, { relation: 'inFrom', edge: 'low', mm: 4.2 }],
    [{ relation: 'inFrom', edge: 'high', mm: 3 }, 1.2, { relation: 'inFrom', edge: 'high', mm: 1.8 }],
    [{ relation: 'beside', edge: 'low', overlapMm: 1 }, 2, { relation: 'beside', edge: 'low', overlapMm: 3 }],
    [
      { relation: 'beside', edge: 'high', overlapMm: 1 },
      2,
      { relation: 'beside', edge: 'high', overlapMm: -1 },
    ],
    [{ relation: 'share', percent: 30 }, 4, { relation: 'share', percent: 40 }],
    [{ relation: 'share', percent: 30 }, 400, { relation: 'share', percent: 100 }],
    [{ relation: 'share', percent: 30 }, -400, { relation: 'share', percent: 0 }],
    [{ relation: 'at', own: 'low', mm: 7 }, -0.44, { relation: 'at', own: 'low', mm: 6.6 }],
  ])('%j by %f mm on 40 mm is %j', (rule, byMm, expected) => {
    expect(movedAlong(rule, byMm, 40)).toEqual(expected);
  });

  it('is the same where a formula says it, and a share of nothing', () => {
    const mm = { formula: '2 * 3' };
    for (const rule of [
      { relation: 'centred', mm },
      { relation: 'inFrom', edge: 'low', mm },
      { relation: 'beside', edge: 'high', overlapMm: mm },
      { relation: 'share', percent: mm },
      { relation: 'at', own: 'high', mm },
    ] as unknown as Along[])
      expect(movedAlong(rule, 3, 40)).toEqual(rule);
    expect(movedAlong({ relation: 'share', percent: 30 }, 5, 0)).toEqual({ relation: 'share', percent: 30 });
  });

  it('is rounded to a tenth of a millimetre, with nothing left over', () => {
    for (const [mm, is] of [[1.249, 1.2], [1.2501, 1.3], [-0.04, -0], [33.3333, 33.3], [0.30000000000000004, 0.3]]) expect(rounded(mm)).toBe(is); // oxfmt-ignore
    for (let tenths = -500; tenths <= 500; tenths++) expect(String(rounded(tenths / 10))).toBe(String(tenths / 10)); // oxfmt-ignore
  });
});

describe('a handle that turns', () => {
  const box = { min: [10, 20, 0], max: [30, 24, 5] };

  it.each([0, 30, 90, 180, -45])(
    'stands over the middle, turned by %d° as the thing is, and says so itself',
    (deg) => {
      const handle = turnHandle(['turnDeg'], deg, box);
      // Eight millimetres beyond half of the longer side.
      const [dx, dy] = [handle.at[0] - 20, handle.at[1] - 22];
      expect(Math.hypot(dx, dy)).toBeCloseTo(18, 9);
      expect([dx, dy]).toEqual([
        expect.closeTo(-18 * Math.sin((deg * Math.PI) / 180), 9),
        expect.closeTo(18 * Math.cos((deg * Math.PI) / 180), 9),
      ]);
      expect(handle.to(handle.at)).toEqual([{ path: ['turnDeg'], value: deg === 0 ? undefined : deg }]);
    },
  );

  it('turns to where it is dragged, to the left as far as half a turn and else to the right', () => {
    const { to } = turnHandle(['turnDeg'], 0, box);
    const turned = (x: number, y: number) => to([20 + x, 22 + y])[0].value;
    expect([turned(-9, 0), turned(9, 0), turned(0, -5), turned(0, 5), turned(-4, 4)]).toEqual([90, -90, 180, undefined, 45]); // oxfmt-ignore
  });
});
