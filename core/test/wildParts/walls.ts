import { heightField, lathe, marched, marchedShell } from '../wildMeshes.ts';
import { blocks, laid, opening, polygon, prism, rectangle, together, moved } from '../wildPrisms.ts';
import type { Point } from '../../src/plane/index.ts';
import { sound, type WildPart } from './wildPart.ts';

/** A wall on a foot, as thick at its bottom and at its top as it is said. */
const tapered = (bottomMm: number, topMm: number, heightMm = 12) =>
  laid([[[-10, 0], [10, 0], [10, 3], [bottomMm / 2, 3], [topMm / 2, 3 + heightMm], [-topMm / 2, 3 + heightMm], [-bottomMm / 2, 3], [-10, 3]]], 20); // oxfmt-ignore

/** Sixty steps of a stair, and a fin beside them from the height of some of the steps. */
const finBesideSteps = (finMm: number) => {
  // Not quite even, so that no three corners are on one line.
  const at = (i: number) => 40 - 0.5 * i + 0.05 * Math.sin(i);
  const steps = Array.from({ length: 60 }, (_, i): Point[] => [
    [at(i), 2 + 0.2 * (i + 1)],
    [at(i + 1), 2 + 0.2 * (i + 1)],
  ]).flat();
  return laid([[[-10, 0], [40, 0], ...steps, [10, 5.03], [finMm, 5.03], [finMm, 11.03], [0, 11.03], [0, 5.03], [-10, 5.03]]], 12); // oxfmt-ignore
};

const sheet = (thickMm: number) => {
  const waves = (x: number, y: number) => 4 + 1.2 * Math.sin(x / 5) * Math.cos(y / 6);
  return heightField(30, 40, (x, y) => waves(x, y) + thickMm, waves);
};

/** Parts with walls, floors and gaps that are thin or only look so. */
export const walls: readonly WildPart[] = [
  ...(
    [
      [1.6, 0.4, 'fail', 0.43],
      [0.5, 2, 'fail', 0.53],
      [2.4, 1.2, 'pass', undefined],
      [1, 0.92, 'warn', 0.92],
    ] as const
  ).map(([bottomMm, topMm, verdict, mm]): WildPart => ({
    name: `a wall of ${bottomMm} mm at its foot and ${topMm} mm at its top`,
    make: () => tapered(bottomMm, topMm),
    is: { mesh: ['pass', 0], gap: ['pass'], wall: mm === undefined ? [verdict] : [verdict, mm] },
  })),
  {
    name: 'a roof whose ridge is sharp',
    make: () =>
      laid(
        [
          [
            [-8, 0],
            [8, 0],
            [0, 14],
          ],
        ],
        25,
      ),
    is: { mesh: ['pass', 0], wall: ['pass'], gap: ['pass'], bodies: ['pass'] },
  },
  {
    name: 'a fin of 0.5 mm beside sixty steps',
    make: () => finBesideSteps(0.5),
    is: { mesh: ['pass', 0], wall: ['fail', 0.5], gap: ['pass'] },
  },
  {
    name: 'a fin of 1.4 mm beside sixty steps',
    make: () => finBesideSteps(1.4),
    is: { mesh: ['pass', 0], wall: ['pass'], gap: ['pass'] },
  },
  {
    name: 'a sheet of waves, 3.5 mm thick',
    make: () => sheet(3.5),
    is: { mesh: ['pass', 0], bodies: ['pass'], wall: ['pass'], gap: ['pass'] },
  },
  {
    name: 'a sheet of waves, 0.5 mm thick',
    make: () => sheet(0.5),
    is: { mesh: ['pass', 0], wall: ['fail'] },
  },
  {
    name: 'a cup with a wall of 0.6 mm',
    make: () =>
      lathe(
        [
          [12, 0],
          [12, 20],
          [11.4, 20],
          [11.4, 2],
        ],
        64,
      ),
    // The inside of a cup is a hole of its own, beside which the wall is as thin.
    is: { ...sound, hole: ['fail'], wall: ['fail', 0.6] },
  },
  {
    name: 'a cup with a wall of 1.6 mm',
    make: () =>
      lathe(
        [
          [12, 0],
          [12, 20],
          [10.4, 20],
          [10.4, 2],
        ],
        64,
      ),
    is: sound,
  },
  {
    name: 'a cup with a floor of 0.4 mm',
    make: () =>
      lathe(
        [
          [12, 0],
          [12, 20],
          [10, 20],
          [10, 0.4],
        ],
        64,
      ),
    is: { ...sound, wall: ['fail', 0.4] },
  },
  {
    name: 'a cup that widens, with a wall of 0.7 mm in its upper half only',
    make: () =>
      lathe(
        [
          [10, 0],
          [10, 10],
          [12, 20],
          [11.3, 20],
          [9, 11],
          [8, 10],
          [8, 2],
        ],
        64,
      ),
    is: { mesh: ['pass', 0], wall: ['fail', 0.7] },
  },
  {
    name: 'a slit of 0.25 mm half-way through a block',
    make: () => laid([[[-10, 0], [10, 0], [10, 12], [0.125, 12], [0.125, 4], [-0.125, 4], [-0.125, 12], [-10, 12]]], 14), // oxfmt-ignore
    is: { ...sound, gap: ['fail', 0.25] },
  },
  {
    name: 'a slit of 0.8 mm half-way through a block',
    make: () => laid([[[-10, 0], [10, 0], [10, 12], [0.4, 12], [0.4, 4], [-0.4, 4], [-0.4, 12], [-10, 12]]], 14), // oxfmt-ignore
    is: sound,
  },
  {
    name: 'a slit that narrows to 0.2 mm at its top',
    make: () => laid([[[-10, 0], [10, 0], [10, 12], [0.1, 12], [0.6, 4], [-0.6, 4], [-0.1, 12], [-10, 12]]], 14), // oxfmt-ignore
    is: { mesh: ['pass', 0], wall: ['pass'], gap: ['fail'] },
  },
  {
    name: 'a tube with a wall of 0.5 mm, marched',
    make: () => marchedShell(8, 0.5),
    is: { mesh: ['pass', 0], wall: ['fail'] },
    straying: { wall: 'It is as rough as the cells that it was marched in, and so is what is found.' },
  },
  {
    name: 'a tube with a wall of 1.5 mm, marched',
    make: () => marchedShell(8, 1.5),
    is: { mesh: ['pass', 0], wall: ['pass'], bodies: ['pass'] },
    straying: { wall: 'It is as rough as the cells that it was marched in, and so is what is found.' },
  },
  {
    name: 'two blocks 0.3 mm apart',
    make: () =>
      together(prism([rectangle(0, 0, 10, 10)], 8), moved(prism([rectangle(0, 0, 10, 10)], 8), [10.3, 0, 0])),
    is: { mesh: ['pass', 0], gap: ['fail', 0.3], wall: ['pass'] },
  },
  {
    name: 'a comb of blocks, with teeth of 1.2 mm and gaps of 1.2 mm',
    make: () => blocks((x, _, z) => z < 2.4 || Math.floor(x / 1.2) % 2 === 0, [15, 6, 6], [1.2, 1.2, 1.2]),
    is: { ...sound, wall: ['pass', 1.2] },
  },
  {
    name: 'a comb of blocks, with teeth of 0.6 mm',
    make: () => blocks((x, _, z) => z < 1.2 || Math.floor(x / 0.6) % 3 === 0, [19, 12, 8], [0.6, 0.6, 0.6]),
    is: { mesh: ['pass', 0], wall: ['fail', 0.6], gap: ['pass'] },
  },
  {
    name: 'a star of eight points',
    make: () => prism([Array.from({ length: 16 }, (_, i): Point => [(i % 2 === 0 ? 14 : 8) * Math.cos((Math.PI * i) / 8), (i % 2 === 0 ? 14 : 8) * Math.sin((Math.PI * i) / 8)])], 4), // oxfmt-ignore
    is: sound,
  },
  {
    name: 'a ring that leaves 0.7 mm beside its hole',
    make: () => prism([polygon(90, 8), opening(polygon(60, 5, [2.3, 0]))], 5),
    is: { ...sound, hole: ['fail'], wall: ['fail', 0.7] },
  },
  {
    name: 'the top of a ball',
    make: () => marched((x, y, z) => Math.max(Math.hypot(x, y, z + 2) - 8, -z), [-9, -9, -1.1], [9, 9, 7], 0.45), // oxfmt-ignore
    is: {
      mesh: ['pass', 0],
      bodies: ['pass'],
      wall: ['pass'],
      gap: ['pass'],
      overhang: ['pass'],
      hole: ['pass', null],
    },
  },
];
