import { heightField, lathe, marched } from '../wildMeshes.ts';
import { blocks, laid, opening, polygon, prism, rectangle, tilted } from '../wildPrisms.ts';
import type { Point } from '../../src/plane/index.ts';
import { sound, type WildPart } from './wildPart.ts';

/** A block whose underside goes up in stairs from 10 mm on. */
const stairs = (upMm: number, outMm: number) => {
  const count = Math.floor(8 / upMm);
  const edge = Array.from({ length: count }, (_, i): Point[] => [
    [10 + i * outMm, i * upMm],
    [10 + i * outMm, (i + 1) * upMm],
  ]).flat();
  const topMm = count * upMm + 3;
  return laid([[[0, 0], ...edge, [10 + count * outMm, count * upMm], [10 + count * outMm, topMm], [0, topMm]]], 15); // oxfmt-ignore
};

/** A block whose underside leans evenly from 12 mm on. */
const leaning = (deg: number) =>
  heightField(40, 24, () => 12, (x) => Math.max(0, (x - 12) / Math.tan((deg * Math.PI) / 180))); // oxfmt-ignore

/** The same, marched. */
const marchedLeaning = (deg: number) => () => {
  const [c, s] = [Math.cos((deg * Math.PI) / 180), Math.sin((deg * Math.PI) / 180)];
  return marched(
    (x, y, z) => Math.max(x - 16.2, -x, Math.abs(y) - 4.2, z - 8.2, -z, (x - 8) * c - z * s),
    [-1.1, -5, -1.1],
    [17, 5, 9],
    0.7,
  );
};

const portal = (spanMm: number) =>
  laid([[[0, 0], [6, 0], [6, 8], [6 + spanMm, 8], [6 + spanMm, 0], [12 + spanMm, 0], [12 + spanMm, 12], [0, 12]]], 10); // oxfmt-ignore

const tunnel = (diameterMm: number) =>
  laid([rectangle(-diameterMm, 0, diameterMm, diameterMm + 8), opening(polygon(96, diameterMm / 2, [0, diameterMm / 2 + 3]))], 20); // oxfmt-ignore

/** Parts that hang over, or seem to, and what bridges. */
export const hanging: readonly WildPart[] = [
  ...(
    [
      [0.2, 0.4, 'fail', 63.4],
      [0.1, 0.2, 'fail', 63.4],
      [0.2, 0.25, 'fail', 51.3],
      [0.3, 0.6, 'fail', undefined],
      [0.2, 0.1, 'pass', undefined],
      [0.4, 0.3, 'pass', undefined],
      [1, 0.4, 'pass', undefined],
      [2, 0.4, 'pass', undefined],
    ] as const
  ).map(([upMm, outMm, verdict, deg]): WildPart => ({
    name: `stairs under it, ${upMm} up and ${outMm} out`,
    make: () => stairs(upMm, outMm),
    is: {
      mesh: ['pass', 0],
      bodies: ['pass'],
      wall: ['pass'],
      gap: ['pass'],
      bridge: ['pass'],
      island: ['pass', 0],
      overhang: deg === undefined ? [verdict] : [verdict, deg],
    },
  })),
  {
    name: 'a goblet of steps, 0.2 up and 0.35 out',
    make: () => lathe(Array.from({ length: 20 }, (_, i): Point[] => [[6 + 0.35 * i, 0.2 * i], [6 + 0.35 * i, 0.2 * (i + 1)]]).flat(), 64), // oxfmt-ignore
    is: { ...sound, overhang: ['fail', 60.3] },
  },
  {
    name: 'a cone on its tip’s flat that leans by 60°',
    make: () => lathe([[6, 0], [6 + 5 * Math.tan(Math.PI / 3), 5], [6 + 5 * Math.tan(Math.PI / 3), 8]], 64), // oxfmt-ignore
    is: { ...sound, overhang: ['fail', 60] },
  },
  {
    name: 'a cone on its tip’s flat that leans by 35°',
    make: () =>
      lathe(
        [
          [6, 0],
          [6 + 8 * Math.tan((35 * Math.PI) / 180), 8],
        ],
        64,
      ),
    is: { ...sound, overhang: ['pass', 35] },
  },
  ...(
    [
      [30, 'pass'],
      [40, 'pass'],
      [55, 'fail'],
      [70, 'fail'],
    ] as const
  ).map(([deg, verdict]): WildPart => ({
    // oxfmt-ignore
    name: `an underside of triangles that leans by ${deg}°`,
    make: () => leaning(deg),
    is: { mesh: ['pass', 0], bodies: ['pass'], overhang: [verdict, deg], bridge: ['pass'] },
  })),
  ...(
    [
      [36, 'pass'],
      [52, 'fail'],
    ] as const
  ).map(([deg, verdict]): WildPart => ({
    name: `a marched underside that leans by ${deg}°`,
    make: marchedLeaning(deg),
    is: { mesh: ['pass', 0], bodies: ['pass'], overhang: [verdict], bridge: ['pass'] },
  })),
  ...(
    [
      [6, 'pass'],
      [9.8, 'warn'],
      [24, 'fail'],
    ] as const
  ).map(([spanMm, verdict]): WildPart => ({
    // oxfmt-ignore
    name: `a portal of ${spanMm} mm`,
    make: () => portal(spanMm),
    is: { ...sound, bridge: [verdict, spanMm] },
  })),
  {
    name: 'a post with a shelf',
    make: () =>
      laid(
        [
          [
            [0, 0],
            [12, 0],
            [12, 10],
            [24, 10],
            [24, 13],
            [0, 13],
          ],
        ],
        10,
      ),
    is: { ...sound, overhang: ['fail', 90], stability: ['pass'] },
  },
  {
    name: 'a ledge as narrow as a line',
    make: () =>
      laid(
        [
          [
            [0, 0],
            [12, 0],
            [12, 6],
            [12.4, 6],
            [12.4, 13],
            [0, 13],
          ],
        ],
        10,
      ),
    is: sound,
  },
  ...([4, 6] as const).map((diameterMm): WildPart => ({
    name: `a lying tunnel of Ø ${diameterMm}`,
    make: () => tunnel(diameterMm),
    is: { ...sound, hole: ['pass', diameterMm] },
  })),
  {
    name: 'a lying tunnel of Ø 24, which closes layer by layer',
    make: () => tunnel(24),
    is: { ...sound, hole: ['pass', 24], overhang: ['fail'], bridge: ['pass'] },
  },
  {
    name: 'a dome of Ø 24 inside, which closes layer by layer',
    make: () =>
      lathe([...Array.from({ length: 24 }, (_, i): Point => [12 * Math.sin((Math.PI * (i + 1)) / 48), 2 + 12 * Math.cos((Math.PI * (i + 1)) / 48)]), [12, 0], [16, 0], [16, 20]], 64), // oxfmt-ignore
    is: { ...sound, hole: ['pass'], overhang: ['fail'], bridge: ['pass'] },
  },
  {
    name: 'a ring groove of 0.8 mm underneath',
    make: () =>
      lathe(
        [
          [6, 0],
          [6, 2],
          [6.8, 2],
          [6.8, 0],
          [12, 0],
          [12, 6],
        ],
        96,
      ),
    is: { ...sound, hole: ['pass'] },
  },
  {
    name: 'a marched post of Ø 20 with a lying hole of Ø 4',
    make: () => marched((x, y, z) => Math.max(Math.hypot(x, y) - 10, -z, z - 10.1, 2 - Math.hypot(y, z - 5)), [-11, -11, -1.1], [11, 11, 11], 0.6), // oxfmt-ignore
    is: { mesh: ['pass', 0], bodies: ['pass'], hole: ['pass', 4], overhang: ['pass'], bridge: ['pass'] },
  },
  {
    name: 'marched holes of Ø 4 that lie across each other',
    make: () => marched((x, y, z) => Math.max(Math.abs(x) - 8.1, Math.abs(y) - 8.1, -z, z - 9.1, 2 - Math.hypot(y, z - 5), 2 - Math.hypot(x, z - 5)), [-9, -9, -1.1], [9, 9, 10], 0.6), // oxfmt-ignore
    is: { mesh: ['pass', 0], bodies: ['pass'], overhang: ['pass'], bridge: ['pass'] },
  },
  {
    name: 'a tooth that hangs from a ceiling',
    make: () => laid([[[0, 0], [5, 0], [5, 8], [8, 8], [8, 4], [11, 4], [11, 8], [14, 8], [14, 0], [19, 0], [19, 12], [0, 12]]], 10), // oxfmt-ignore
    is: {
      mesh: ['pass', 0],
      bodies: ['pass'],
      wall: ['pass'],
      gap: ['pass'],
      hole: ['pass'],
      island: ['fail', 1],
    },
  },
  {
    name: 'a table of blocks',
    make: () =>
      blocks((x, y, z) => z > 8 || ((x < 3 || x > 15) && (y < 3 || y > 15)), [18, 18, 11], [1, 1, 1]),
    // Between four legs no line across the middle lands on anything.
    is: {
      mesh: ['pass', 0],
      bodies: ['pass'],
      overhang: ['fail', 90],
      bridge: ['pass'],
      island: ['pass', 0],
    },
  },
  {
    name: 'a bar that was tilted by 30°',
    make: () => tilted(prism([rectangle(0, 0, 20, 12)], 12), -30),
    is: { mesh: ['pass', 0], overhang: ['fail', 60], base: ['fail'] },
  },
];
