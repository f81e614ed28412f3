import { describe, expect, it } from 'vitest';
import { asks, figure } from '../../test/figures.ts';
import { clashOf, freedomOf, settled, type Figure, type Relation } from './index.ts';

const { apart, across, up, level, upright, parallel, square, slant, angle, equal } = asks;
const { symmetric, held, onAxis, inMiddle, beside, radius, touching } = asks;

const quad = figure('0,0 30,0 30,20 0,20');
const triangle = figure('0,0 40,0 0,30');
const dome = figure('0,0 30,0 30,20 0,20', { 1: 0.6 });

interface Clash {
  readonly name: string;
  readonly drawn: Figure;
  readonly asked: readonly Relation[];
  /** The relations that cannot hold together, by their place in what is asked. */
  readonly clash: readonly number[];
}

const clashes: readonly Clash[] = [
  {
    name: 'two lengths of one edge',
    drawn: quad,
    asked: [apart(0, 1, 30), level(1, 2), apart(0, 1, 20)],
    clash: [0, 2],
  },
  {
    name: 'a triangle whose sides do not reach',
    drawn: triangle,
    asked: [apart(0, 1, 40), apart(1, 2, 10), apart(2, 0, 10)],
    clash: [0, 1, 2],
  },
  {
    name: 'an edge that is level and upright',
    drawn: quad,
    asked: [apart(2, 3, 30), level(0, 1), upright(0, 1)],
    clash: [1, 2],
  },
  {
    name: 'four sides and both diagonals',
    drawn: quad,
    asked: [
      apart(0, 1, 30),
      apart(1, 2, 20),
      apart(2, 3, 30),
      apart(3, 0, 20),
      apart(0, 2, 36),
      apart(1, 3, 40),
    ],
    clash: [0, 1, 2, 3, 4, 5],
  },
  {
    name: 'opposite sides of a rectangle',
    drawn: quad,
    asked: [level(0, 1), upright(1, 2), level(2, 3), upright(3, 0), apart(0, 1, 30), apart(2, 3, 31)],
    clash: [1, 2, 3, 4, 5],
  },
  {
    name: 'angles of a triangle over 180°',
    drawn: triangle,
    asked: [angle(1, 0, 2, 90), angle(0, 1, 2, 60), angle(0, 2, 1, 60)],
    clash: [0, 1, 2],
  },
  {
    name: 'two places for one point',
    drawn: quad,
    asked: [held(0, 0, 0), held(1, 30, 0), held(0, 1, 0)],
    clash: [0, 2],
  },
  { name: 'a held point off the axis', drawn: quad, asked: [held(1, 30, 0), onAxis(1)], clash: [0, 1] },
  {
    name: 'a slope and a right angle',
    drawn: quad,
    asked: [slant(0, 10), square(0, 1), slant(1, 90)],
    clash: [0, 1, 2],
  },
  {
    name: 'parallel and square',
    drawn: quad,
    asked: [parallel(0, 2), equal(0, 2), square(0, 2)],
    clash: [0, 2],
  },
  {
    name: 'an arc too small for its chord',
    drawn: dome,
    asked: [apart(1, 2, 20), radius(1, 5)],
    clash: [0, 1],
  },
  { name: 'two radii of one arc', drawn: dome, asked: [radius(1, 15), radius(1, 16)], clash: [0, 1] },
  {
    name: 'a mirror image at another height',
    drawn: quad,
    asked: [symmetric(0, 1), up(0, 1, 3)],
    clash: [0, 1],
  },
  {
    name: 'a middle that is not the middle',
    drawn: triangle,
    asked: [inMiddle(2, 0), apart(0, 2, 10), apart(0, 1, 30)],
    clash: [0, 1, 2],
  },
  {
    name: 'a point beside a line and on it',
    drawn: triangle,
    asked: [beside(2, 0, 10), beside(2, 0, 0)],
    clash: [0, 1],
  },
  {
    name: 'a half round and a chord that is too long for it',
    drawn: dome,
    asked: [
      level(0, 1),
      level(2, 3),
      touching(0, 1),
      touching(1, 2),
      radius(1, 10),
      upright(1, 2),
      apart(1, 2, 30),
    ],
    clash: [4, 6],
  },
];

describe('relations that cannot hold together', () => {
  it.each(clashes)('$name', ({ drawn, asked, clash }) => {
    expect(clashOf(drawn, asked)).toEqual(clash);
    // Each of them is needed for the clash, and the figure stays as it was drawn.
    for (const each of clash)
      expect(
        clashOf(
          drawn,
          clash.filter((k) => k !== each).map((k) => asked[k]),
        ),
      ).toEqual([]);
    const { figure: kept } = settled(
      drawn,
      clash.map((k) => asked[k]),
    );
    expect(kept.points).toEqual(drawn.points);
  });

  it('does not keep others from holding that have nothing to do with it', () => {
    const drawn = figure('0,0 29,1 30,20 0,20');
    const { figure: made, unmet } = settled(drawn, [apart(0, 1, 30), apart(0, 1, 20), apart(2, 3, 25)]);
    expect(unmet).toEqual([0, 1]);
    expect(
      Math.hypot(made.points[2][0] - made.points[3][0], made.points[2][1] - made.points[3][1]),
    ).toBeCloseTo(25, 6);
  });
});

describe('what is still open', () => {
  const box = [level(0, 1), upright(1, 2), level(2, 3), upright(3, 0)];

  it('is the place alone once all sizes are set', () => {
    const freedom = freedomOf(quad, [...box, apart(0, 1, 30), apart(1, 2, 20)]);
    expect(freedom).toMatchObject({ open: 2, isWhole: true, following: [] });
  });

  it('is place and turn where only lengths are set', () => {
    const freedom = freedomOf(triangle, [apart(0, 1, 40), apart(1, 2, 50), apart(2, 0, 30)]);
    expect(freedom).toMatchObject({ open: 3, isWhole: true });
  });

  it('is a turn about a point that is held', () => {
    const freedom = freedomOf(triangle, [held(0, 0, 0), apart(0, 1, 40), apart(1, 2, 50), apart(2, 0, 30)]);
    expect(freedom).toMatchObject({
      open: 1,
      isWhole: true,
      points: ['set', 'alongLine', 'alongLine'],
    });
  });

  it('names the points that can still move, and how', () => {
    const freedom = freedomOf(quad, [held(0, 0, 0), level(0, 1), held(3, 0, 20)]);
    expect(freedom.points).toEqual(['set', 'alongLine', 'freely', 'set']);
    expect(freedom).toMatchObject({ open: 3, isWhole: false });
  });

  it('counts the bend of an arc', () => {
    const all = [0, 1, 2, 3].map((i) => held(i, ...(dome.points[i] as [number, number])));
    expect(freedomOf(dome, all)).toMatchObject({ open: 1, isWhole: false });
    expect(freedomOf(dome, [...all, radius(1, radiusOfDome())]).open).toBe(0);
  });

  it('is nothing new where a relation follows from others', () => {
    expect(freedomOf(quad, [...box, square(0, 1)]).following).toEqual([4]);
    expect(freedomOf(quad, [...box, apart(0, 1, 30), across(3, 2, 30)]).following).toEqual([5]);
    expect(freedomOf(quad, [held(0, 0, 0), held(1, 30, 0), level(0, 1)]).following).toEqual([2]);
  });

  /** Of an arc with the chord c and the height h: r = c² / 8 h + h / 2. */
  function radiusOfDome(): number {
    const [chordMm, heightMm] = [20, 6];
    return chordMm ** 2 / (8 * heightMm) + heightMm / 2;
  }
});
