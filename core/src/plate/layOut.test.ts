import fc from 'fast-check';
import { expect, it } from 'vitest';
import type { Region } from '../plane/index.ts';
import { layOut } from './layOut.ts';
import type { Placeable, Plate } from './placement.ts';

const box = (width: number, depth: number): Region => [
  [
    [-width / 2, -depth / 2],
    [width / 2, -depth / 2],
    [width / 2, depth / 2],
    [-width / 2, depth / 2],
  ],
];
const part = (id: string, width: number, depth: number): Placeable => ({ id, footprint: box(width, depth) });

it('lays the largest first, in whichever order the parts come', () => {
  const plate: Plate = { widthMm: 90, depthMm: 70, edgeMm: 5 };
  const parts = [part('a', 50, 40), part('b', 30, 30), part('c', 24, 14), part('d', 12, 10), part('e', 9, 5)];
  const expected = layOut(parts, plate, 3);
  fc.assert(
    fc.property(fc.shuffledSubarray(parts, { minLength: parts.length }), (shuffled) => {
      expect(layOut(shuffled, plate, 3)).toEqual(expected);
    }),
    { numRuns: 20 },
  );
});

it('takes nothing at the left for what reaches far over the edge at the right, whatever the width', () => {
  for (let widthMm = 80; widthMm < 96; widthMm += 0.5) {
    const plate: Plate = { widthMm, depthMm: 50, edgeMm: 5 };
    const fixed = [{ ...part('fixed', 60, 10), xMm: widthMm, yMm: 25, turnDeg: 0 }];
    const { placed } = layOut([part('tall', 20, 38)], plate, 3, fixed);
    expect(placed.map(({ id }) => id)).toEqual(['tall']);
    expect(placed[0].xMm + 10).toBeLessThanOrEqual(widthMm - 30 - 3 + 1e-6);
  }
});
