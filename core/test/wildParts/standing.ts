import { heightField, lathe, marched } from '../wildMeshes.ts';
import { laid, moved, opening, polygon, prism, rectangle, tilted, together } from '../wildPrisms.ts';
import type { Point } from '../../src/plane/index.ts';
import { sound, type WildPart } from './wildPart.ts';

const onFoot = (rod: readonly Point[]) => lathe([[10, 0], [10, 3], ...rod], 48);
const box = (x: number, y: number, z: number) => prism([rectangle(0, 0, x, y)], z);

/** Parts by how they stand on the plate, how slender they are and how they hang together. */
export const standing: readonly WildPart[] = [
  {
    name: 'a block that was tilted by 0.2°',
    make: () => tilted(box(40, 30, 6), 0.2),
    is: { mesh: ['pass', 0], base: ['pass'], overhang: ['pass'], bridge: ['pass'], island: ['pass', 0] },
  },
  {
    name: 'a block with a burr of 0.04 mm under it',
    make: () =>
      laid(
        [
          [
            [0, 0],
            [1, 0],
            [1, 0.04],
            [30, 0.04],
            [30, 6],
            [0, 6],
          ],
        ],
        30,
      ),
    is: { ...sound, base: ['pass', 900] },
  },
  {
    name: 'a block with a groove 0.15 mm deep under it',
    make: () =>
      laid(
        [
          [
            [0, 0],
            [10, 0],
            [10, 0.15],
            [24, 0.15],
            [24, 0],
            [34, 0],
            [34, 6],
            [0, 6],
          ],
        ],
        20,
      ),
    is: { ...sound, base: ['pass', 400], bridge: ['pass', null] },
  },
  {
    name: 'a block with a groove 8 mm wide and 0.6 mm deep under it',
    make: () =>
      laid(
        [
          [
            [0, 0],
            [10, 0],
            [10, 0.6],
            [18, 0.6],
            [18, 0],
            [28, 0],
            [28, 6],
            [0, 6],
          ],
        ],
        20,
      ),
    is: { ...sound, base: ['pass', 400], bridge: ['pass', 8] },
  },
  {
    name: 'a block with a groove 14 mm wide and 1 mm deep under it',
    make: () =>
      laid(
        [
          [
            [0, 0],
            [10, 0],
            [10, 1],
            [24, 1],
            [24, 0],
            [34, 0],
            [34, 6],
            [0, 6],
          ],
        ],
        20,
      ),
    is: { ...sound, base: ['pass', 400], bridge: ['fail', 14] },
  },
  {
    name: 'a marched block with rounded edges',
    make: () => marched((x, y, z) => Math.hypot(Math.max(0, Math.abs(x) - 8), Math.max(0, Math.abs(y) - 6), Math.max(0, Math.abs(z - 5) - 3)) - 2.01, [-11, -9, -1], [11, 9, 11], 0.6), // oxfmt-ignore
    is: { mesh: ['pass', 0], bodies: ['pass'], base: ['pass'], wall: ['pass'], stability: ['pass'] },
  },
  ...(
    [
      [6.9, 'fail'],
      [7.2, 'warn'],
      [9, 'pass'],
    ] as const
  ).map(([sideMm, verdict]): WildPart => ({
    name: `a block of ${sideMm} × ${sideMm} × 20 mm`,
    make: () => box(sideMm, sideMm, 20),
    is: { ...sound, base: [verdict, sideMm ** 2] },
  })),
  ...(
    [
      [14, 'pass', 2.8],
      [24, 'warn', 4.8],
      [30, 'fail', 6],
    ] as const
  ).map(([heightMm, verdict, times]): WildPart => ({
    // oxfmt-ignore
    name: `a rod of Ø 5 and ${heightMm} mm on a foot`,
    make: () =>
      onFoot([
        [2.5, 3],
        [2.5, 3 + heightMm],
      ]),
    is: { ...sound, stability: [verdict, times] },
  })),
  {
    name: 'a bottle',
    make: () => lathe([[9, 0], [9, 14], ...Array.from({ length: 12 }, (_, i): Point => [9 - 0.5 * (i + 1), 14 + 0.6 * (i + 1)]), [3, 28]], 60), // oxfmt-ignore
    is: { ...sound, stability: ['pass'] },
  },
  {
    name: 'a needle',
    make: () =>
      lathe(
        [
          [3, 0],
          [1.5, 30],
        ],
        40,
      ),
    is: { mesh: ['pass', 0], stability: ['fail', 5], overhang: ['pass'] },
  },
  {
    name: 'a cone that is wide',
    make: () =>
      lathe(
        [
          [14, 0],
          [3, 20],
        ],
        40,
      ),
    is: { ...sound, stability: ['pass'] },
  },
  {
    name: 'a beam that leans over its base',
    make: () =>
      laid(
        [
          [
            [0, 0],
            [8, 0],
            [32, 30],
            [24, 30],
          ],
        ],
        10,
      ),
    is: { mesh: ['pass', 0], overhang: ['pass', 38.7], stability: ['fail'] },
  },
  ...[12, 20, 40].map((cells): WildPart => ({
    name: `hills on a slab, of ${cells} cells a side`,
    make: () => heightField(cells, 36, (x, y) => 5 + 1.4 * Math.sin(x / 3) * Math.sin(y / 3.3)),
    is: { ...sound, base: ['pass', 1296] },
  })),
  ...(
    [
      [0.3, 'fail'],
      [1.5, 'pass'],
    ] as const
  ).map(([radiusMm, verdict]): WildPart => ({
    name: `two discs on a waist of Ø ${2 * radiusMm}`,
    make: () => lathe([[9, 0], [9, 3], ...Array.from({ length: 25 }, (_, i): Point => [radiusMm + 3 * ((i - 12) / 12) ** 2, 3.1 + 0.3 * i]), [9, 10.4], [9, 13]], 48), // oxfmt-ignore
    is: { mesh: ['pass', 0], bodies: [verdict] },
    straying: { stability: 'The waist is narrowest between two of the sections that are looked at.' },
  })),
  ...(
    [
      [0.5, 'fail'],
      [3, 'pass'],
    ] as const
  ).map(([neckMm, verdict]): WildPart => ({
    name: `two plates on a neck of ${neckMm} mm`,
    make: () => prism([[[-14, -8], [-2, -8], [0, -neckMm / 2], [2, -8], [14, -8], [14, 8], [2, 8], [0, neckMm / 2], [-2, 8], [-14, 8]]], 6), // oxfmt-ignore
    is: { mesh: ['pass', 0], bodies: [verdict], base: ['pass'] },
  })),
  {
    name: 'three blocks that do not touch',
    make: () =>
      together(box(10, 10, 8), moved(box(10, 10, 8), [14, 0, 0]), moved(box(10, 10, 8), [28, 0, 0])),
    is: { mesh: ['pass', 0], base: ['pass', 300], wall: ['pass'], gap: ['pass'] },
  },
  {
    name: 'two lumps that were marched together through a neck of Ø 4',
    make: () => marched((x, y, z) => Math.max(-z, Math.min(Math.hypot(x + 8, y, z - 5) - 6, Math.hypot(x - 8, y, z - 5) - 6, Math.max(Math.abs(x) - 8, Math.hypot(y, z - 5) - 2))), [-15, -7, -1.1], [15, 7, 12], 0.8), // oxfmt-ignore
    is: { mesh: ['pass', 0], bodies: ['pass'], wall: ['pass'] },
  },
  {
    name: 'a cover with a hole for a screw at each corner',
    make: () => prism([rectangle(-20, -15, 20, 15), ...[-16, 16].flatMap((x) => [-11, 11].map((y) => opening(polygon(40, 1.6, [x, y]))))], 3), // oxfmt-ignore
    is: { ...sound, hole: ['pass', 3.2], base: ['pass'] },
  },
];
