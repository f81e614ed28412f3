import { describe, expect, it } from 'vitest';
import { asks, figure } from '../../test/figures.ts';
import { centreOf, radiusOf } from './edge.ts';
import { Unknowns } from './figure.ts';
import { settled, type Figure, type Relation } from './index.ts';

const { apart, across, up, level, upright, equal, angle } = asks;
const { symmetric, held, onAxis, beside, radius, sameCentre, touching } = asks;

/** A figure with arcs, what it is asked, and what has to come out: places of points, radii and centres of edges. */
interface Drawn {
  readonly name: string;
  readonly drawn: Figure;
  readonly asked: readonly Relation[];
  readonly points?: Readonly<Record<number, readonly [number, number]>>;
  readonly radii?: Readonly<Record<number, number>>;
  readonly centres?: Readonly<Record<number, readonly [number, number]>>;
}

/** A box whose right side is an arc that bends out. */
const dome = figure('0,0 29,1 30,19 1,21', { 1: 0.6 });
/** A long shape with an arc at both ends, counter-clockwise. */
const stadium = figure('-9,-5 11,-6 10,5 -11,6', { 1: 0.9, 3: 0.8 });
/** A box with one corner cut by an arc. */
const corner = figure('0,0 30,0 31,14 26,19 0,20', { 2: 0.4 });
/** A sickle: an outer arc and, on the way back, an inner one. */
const sickle = figure('-19,1 21,0 14,1 -15,-1', { 0: -0.9, 2: 0.7 });
const drop = figure('0,30 -9,11 11,9', { 1: 0.8 });

const drawings: readonly Drawn[] = [
  {
    name: 'a dome of a given radius',
    drawn: dome,
    asked: [held(0, 0, 0), held(1, 30, 0), held(2, 30, 16), level(3, 2), upright(3, 0), radius(1, 10)],
    points: { 3: [0, 16] },
    radii: { 1: 10 },
    centres: { 1: [24, 8] },
  },
  {
    name: 'a half round',
    drawn: dome,
    asked: [held(0, 0, 0), held(1, 30, 0), held(2, 30, 20), level(3, 2), upright(3, 0), touching(0, 1)],
    radii: { 1: 10 },
    centres: { 1: [30, 10] },
  },
  {
    name: 'a half round that is touched at both ends',
    drawn: dome,
    asked: [
      held(0, 0, 0),
      level(0, 1),
      across(0, 1, 30),
      level(3, 2),
      upright(3, 0),
      touching(0, 1),
      touching(1, 2),
      radius(1, 8),
    ],
    points: { 2: [30, 16], 3: [0, 16] },
    radii: { 1: 8 },
  },
  {
    name: 'a slot by its length and its radius',
    drawn: stadium,
    asked: [
      symmetric(0, 1),
      symmetric(3, 2),
      touching(0, 1),
      touching(1, 2),
      touching(2, 3),
      radius(1, 5),
      apart(0, 1, 24),
      held(0, -12, -5),
    ],
    points: { 1: [12, -5], 2: [12, 5], 3: [-12, 5] },
    radii: { 1: 5, 3: 5 },
    centres: { 1: [12, 0], 3: [-12, 0] },
  },
  {
    name: 'two arcs of one radius',
    drawn: stadium,
    asked: [held(0, -10, -5), held(1, 10, -5), held(2, 10, 5), held(3, -10, 5), radius(1, 6), equal(1, 3)],
    radii: { 1: 6, 3: 6 },
  },
  {
    name: 'a rounded corner',
    drawn: corner,
    asked: [
      held(0, 0, 0),
      level(0, 1),
      upright(1, 2),
      level(3, 4),
      upright(4, 0),
      touching(1, 2),
      touching(2, 3),
      radius(2, 5),
      across(0, 1, 30),
      up(0, 4, 20),
    ],
    points: { 1: [30, 0], 2: [30, 15], 3: [25, 20], 4: [0, 20] },
    radii: { 2: 5 },
    centres: { 2: [25, 15] },
  },
  {
    name: 'a corner rounded between edges that are not square',
    drawn: figure('0,0 30,0 25,12 19,14 0,14', { 2: 0.3 }),
    asked: [
      held(0, 0, 0),
      held(1, 30, 0),
      asks.slant(1, 120),
      touching(1, 2),
      touching(2, 3),
      level(3, 4),
      upright(4, 0),
      radius(2, 6),
      up(0, 4, 15),
    ],
    // The centre lies 6 mm in from both lines: at the height 9 mm, and at x where the line's distance is 6.
    centres: { 2: [30 - 9 / Math.sqrt(3) - 6 / (Math.sqrt(3) / 2), 9] },
    radii: { 2: 6 },
  },
  {
    name: 'two circles about one centre',
    drawn: sickle,
    asked: [
      held(0, -20, 0),
      held(1, 20, 0),
      radius(0, 25),
      sameCentre(0, 2),
      apart(1, 2, 6),
      level(1, 2),
      level(0, 3),
      apart(0, 3, 6),
    ],
    radii: { 0: -25, 2: Math.hypot(14, 15) },
    centres: { 0: [0, -15], 2: [0, -15] },
  },
  {
    name: 'a half ring',
    drawn: sickle,
    asked: [
      held(0, -20, 0),
      held(1, 20, 0),
      radius(0, 20),
      sameCentre(0, 2),
      level(2, 1),
      level(3, 0),
      radius(2, 14),
    ],
    points: { 2: [14, 0], 3: [-14, 0] },
    radii: { 0: -20, 2: 14 },
    centres: { 2: [0, 0] },
  },
  {
    name: 'a drop whose flanks run into its round',
    drawn: drop,
    asked: [
      onAxis(0),
      symmetric(1, 2),
      touching(0, 1),
      touching(1, 2),
      radius(1, 10),
      held(0, 0, 30),
      up(0, 1, 20 + 20 / 3),
    ],
    centres: { 1: [0, 30 - dropDepth(20 + 20 / 3, 10)] },
    radii: { 1: 10 },
  },
  {
    name: 'a lens of two arcs',
    drawn: figure('0,0 31,2', { 0: 0.3, 1: 0.4 }),
    asked: [held(0, 0, 0), level(0, 1), apart(0, 1, 30), radius(0, 25), equal(0, 1)],
    points: { 1: [30, 0] },
    centres: { 0: [15, 20], 1: [15, -20] },
  },
  {
    name: 'a round of two halves',
    drawn: figure('0,1 19,0', { 0: 0.8, 1: 0.9 }),
    asked: [held(0, 0, 0), held(1, 20, 0), touching(0, 1), radius(0, 10)],
    radii: { 0: 10, 1: 10 },
    centres: { 0: [10, 0] },
  },
  {
    name: 'a point on an arc',
    drawn: figure('-10,0 10,0 3,7 -4,8', { 0: 0.8 }),
    asked: [
      held(0, -10, 0),
      held(1, 10, 0),
      radius(0, 12.5),
      up(2, 0, 0),
      beside(3, 0, 2),
      across(3, 1, 10),
      across(0, 2, 14),
    ],
    centres: { 0: [0, 7.5] },
    points: { 2: [4, 0], 3: [0, 18] },
  },
  {
    name: 'an arc that touches an edge elsewhere',
    drawn: figure('0,0 40,0 40,20 28,19 12,18 0,20', { 3: -0.5 }),
    asked: [
      held(0, 0, 0),
      held(1, 40, 0),
      held(2, 40, 20),
      held(3, 28, 20),
      held(4, 12, 20),
      held(5, 0, 20),
      touching(0, 3),
    ],
    // Over a chord of 16 mm the arc hangs 20 mm down to the line: r = c² / 8 h + h / 2.
    radii: { 3: -(16 ** 2 / 160 + 10) },
    centres: { 3: [20, 11.6] },
  },
  {
    name: 'two arcs that touch from outside',
    drawn: figure('0,0 20,0 20,10 38,10 40,30 0,30', { 0: -0.4, 2: 0.4 }),
    asked: [
      held(0, 0, 0),
      held(1, 20, 0),
      held(3, 40, 10),
      held(2, 20, 10),
      held(4, 40, 30),
      held(5, 0, 30),
      radius(0, 12),
      radius(2, 15),
    ],
    radii: { 0: -12, 2: 15 },
  },
  {
    name: 'an arch over two posts',
    drawn: figure('-15,0 -15,20 14,19 15,0', { 1: -0.5 }),
    asked: [symmetric(0, 3), symmetric(1, 2), held(0, -14, 0), upright(0, 1), up(0, 1, 18), touching(0, 1)],
    points: { 1: [-14, 18], 2: [14, 18] },
    radii: { 1: -14 },
    centres: { 1: [0, 18] },
  },
  {
    name: 'a pie slice of sixty degrees',
    drawn: figure('0,0 19,1 12,16', { 1: 0.3 }),
    asked: [held(0, 0, 0), level(0, 1), apart(0, 1, 20), equal(0, 2), angle(1, 0, 2, 60), radius(1, 20)],
    points: { 1: [20, 0], 2: [10, 10 * Math.sqrt(3)] },
    centres: { 1: [0, 0] },
  },
  {
    name: 'an arc whose radius is far from what was drawn',
    drawn: dome,
    asked: [held(0, 0, 0), held(1, 30, 0), held(2, 30, 16), held(3, 0, 16), radius(1, 200)],
    radii: { 1: 200 },
  },
  {
    name: 'a turned arc keeps the side to which it bends',
    drawn: figure('0,0 30,0 30,20 0,20', { 1: -0.3 }),
    asked: [held(0, 0, 0), held(1, 30, 0), held(2, 30, 20), held(3, 0, 20), radius(1, 26)],
    radii: { 1: -26 },
    centres: { 1: [54, 10] },
  },
  {
    name: 'an arc of which nothing is asked stays as it was drawn',
    drawn: dome,
    asked: [held(0, 0, 0)],
    radii: { 1: radiusOf(Unknowns.of(dome), 1) },
  },
];

/** How far below its tip the centre of a drop lies whose flanks touch its round a depth below the tip. */
function dropDepth(touchedMm: number, radiusMm: number): number {
  // With the distance d of the centre, the flanks touch at d − r² / d below the tip.
  return (touchedMm + Math.sqrt(touchedMm ** 2 + 4 * radiusMm ** 2)) / 2;
}

describe('a figure with arcs', () => {
  it.each(drawings)('$name', ({ drawn, asked, points = {}, radii = {}, centres = {} }) => {
    const { figure: made, unmet } = settled(drawn, asked);
    expect(unmet).toEqual([]);
    const measured = Unknowns.of(made);
    for (const [i, [x, y]] of Object.entries(points)) {
      expect(made.points[Number(i)][0], `x of point ${i}`).toBeCloseTo(x, 5);
      expect(made.points[Number(i)][1], `y of point ${i}`).toBeCloseTo(y, 5);
    }
    for (const [edge, mm] of Object.entries(radii))
      expect(radiusOf(measured, Number(edge)), `radius of edge ${edge}`).toBeCloseTo(mm, 4);
    for (const [edge, [x, y]] of Object.entries(centres)) {
      expect(centreOf(measured, Number(edge))[0], `centre of edge ${edge}`).toBeCloseTo(x, 3);
      expect(centreOf(measured, Number(edge))[1], `centre of edge ${edge}`).toBeCloseTo(y, 3);
    }
  });
});
