import { marched } from '../wildMeshes.ts';
import { laid, opening, polygon, prism, rectangle } from '../wildPrisms.ts';
import type { Outline, Point } from '../../src/plane/index.ts';
import { sound, type WildPart } from './wildPart.ts';

const plate = rectangle(-15, -10, 15, 10);
const drilled = (hole: Outline) => prism([plate, opening(hole)], 6);

/** A circle with a roof of 45° on it, its middle at the height of nothing. */
export const teardrop = (radiusMm: number, [x, y]: Point = [0, 0]): Outline => {
  const arc = Array.from({ length: 49 }, (_, i): Point => {
    const angle = Math.PI * (3 / 4 + (1.5 * i) / 48);
    return [x + radiusMm * Math.cos(angle), y + radiusMm * Math.sin(angle)];
  });
  return [...arc, [x, y + radiusMm * Math.SQRT2]];
};

const marchedBlock = (hole: (x: number, y: number, z: number) => number, cellMm: number) => () =>
  marched(
    (x, y, z) => Math.max(Math.abs(x) - 7.1, Math.abs(y) - 6.1, Math.abs(z - 4.9) - 4.9, hole(x, y, z)),
    [-8, -7, -1],
    [8, 7, 11],
    cellMm,
  );

/** Parts with holes that were drawn with few sides and with very many, marched, square, six-sided, and no holes at all. */
export const holes: readonly WildPart[] = [
  ...[8, 12, 24, 64, 241, 360, 720].map((sides): WildPart => ({
    name: `a hole of ${sides} sides, Ø 4`,
    make: () => drilled(polygon(sides, 2, [1, 1])),
    is: { ...sound, hole: ['pass', 4] },
  })),
  ...[16, 300].map((sides): WildPart => ({
    name: `a hole of ${sides} sides, Ø 1.5`,
    make: () => drilled(polygon(sides, 0.75)),
    is: { ...sound, hole: ['fail', 1.5] },
  })),
  {
    name: 'a lying hole of 48 sides, Ø 5',
    make: () => laid([rectangle(-10, 0, 10, 14), opening(polygon(48, 2.5, [0, 7]))], 30),
    is: { ...sound, hole: ['pass', 5] },
  },
  {
    name: 'two holes side by side, Ø 3 and Ø 6',
    make: () => prism([plate, opening(polygon(32, 1.5, [-6, 0])), opening(polygon(400, 3, [5, 0]))], 6),
    is: { ...sound, hole: ['pass', 3] },
  },
  {
    name: 'a hole of Ø 4, half a millimetre from the edge',
    make: () => drilled(polygon(64, 2, [12.5, 0])),
    is: { ...sound, hole: ['fail'], wall: ['fail', 0.5] },
  },
  {
    name: 'a marched upright hole of Ø 5',
    make: marchedBlock((x, y) => 2.5 - Math.hypot(x - 0.1, y + 0.2), 0.55),
    is: { mesh: ['pass', 0], bodies: ['pass'], wall: ['pass'], hole: ['pass', 5] },
  },
  {
    name: 'a marched upright hole of Ø 1.6',
    make: marchedBlock((x, y) => 0.8 - Math.hypot(x - 0.1, y + 0.2), 0.4),
    is: { mesh: ['pass', 0], hole: ['fail', 1.6] },
  },
  {
    name: 'a marched lying hole of Ø 4',
    make: marchedBlock((_, y, z) => 2 - Math.hypot(y, z - 5), 0.6),
    is: { mesh: ['pass', 0], hole: ['pass', 4], overhang: ['pass'], bridge: ['pass'] },
  },
  {
    name: 'a marched slanted hole of Ø 4',
    make: marchedBlock((x, y, z) => 2 - Math.hypot(y, (x * 2 - (z - 5)) / Math.sqrt(5)), 0.6),
    is: { mesh: ['pass', 0], hole: ['pass', 4] },
  },
  {
    name: 'a marched hollow like half a ball',
    make: marchedBlock((x, y, z) => 5 - Math.hypot(x, y, z - 11), 0.8),
    is: { mesh: ['pass', 0], bodies: ['pass'], hole: ['pass', null] },
    straying: { wall: 'It passes, and the figure of what passes is found at a glance, on rough cells.' },
  },
  {
    name: 'a slot of 0.3 × 16',
    make: () => drilled(rectangle(-8, -0.15, 8, 0.15)),
    is: { ...sound, hole: ['pass', null], gap: ['fail', 0.3] },
  },
  {
    name: 'a slot of 6 × 16 with round ends',
    make: () =>
      drilled([...polygon(48, 3, [-5, 0], 90).slice(0, 25), ...polygon(48, 3, [5, 0], -90).slice(0, 25)]),
    is: { ...sound, hole: ['pass', null] },
  },
  {
    name: 'a square hole of 4',
    make: () => drilled(polygon(4, 2 * Math.SQRT2, [0, 0], 17)),
    is: { ...sound, hole: ['pass', 4] },
  },
  {
    name: 'a square hole of 1.5',
    make: () => drilled(polygon(4, 0.75 * Math.SQRT2, [0, 0], 45)),
    is: { ...sound, hole: ['fail', 1.5] },
  },
  {
    name: 'a six-sided hole, 5 across flats',
    make: () => drilled(polygon(6, 2.5 / Math.cos(Math.PI / 6))),
    is: { ...sound, hole: ['pass', 5] },
  },
  {
    name: 'a six-sided hole, 1.8 across flats',
    make: () => drilled(polygon(6, 0.9 / Math.cos(Math.PI / 6), [3, 2], 10)),
    is: { ...sound, hole: ['fail', 1.8] },
  },
  {
    name: 'a three-sided hole around Ø 3',
    make: () => drilled(polygon(3, 3)),
    is: { ...sound, hole: ['pass', 3] },
  },
  {
    name: 'a lying hole like a drop, Ø 4',
    make: () => laid([rectangle(-8, 0, 8, 14), opening(teardrop(2, [0, 6]))], 20),
    is: { ...sound, hole: ['pass', 4], overhang: ['warn'] },
  },
  {
    name: 'a lying hole like a drop, Ø 1.6',
    make: () => laid([rectangle(-8, 0, 8, 14), opening(teardrop(0.8, [0, 6]))], 20),
    is: { ...sound, hole: ['fail', 1.6], overhang: ['warn'] },
  },
  {
    name: 'a tray of 26 × 16, which is no hole',
    make: () => prism([plate, opening(rectangle(-13, -8, 13, 8))], 6),
    is: { ...sound, hole: ['pass', null] },
  },
];
