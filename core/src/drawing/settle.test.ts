import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { asks, figure } from '../../test/figures.ts';
import type { Point } from '../plane/index.ts';
import { chordLength, directionOf } from './edge.ts';
import { Unknowns } from './figure.ts';
import { dragged, settled, type Figure, type Relation } from './index.ts';
import { missesOf, systemOf } from './system.ts';

const { apart, level, upright, held, equal, parallel } = asks;

/** A figure of points on a rough circle, so that none of its edges is without length. */
const anyFigure = fc
  .array(fc.record({ away: fc.double({ min: 10, max: 30, noNaN: true }) }), { minLength: 3, maxLength: 12 })
  .map((all) =>
    figure(
      all.map(({ away }, i): Point => {
        const turn = (2 * Math.PI * i) / all.length;
        return [away * Math.cos(turn), away * Math.sin(turn)];
      }),
    ),
  );

/** Relations that hold in a figure as it is: some of its lengths, angles and places. */
function holdingIn(true_: Figure, choose: readonly number[]): Relation[] {
  const measured = Unknowns.of(true_);
  const count = true_.points.length;
  return choose.map((number, k): Relation => {
    const [i, j] = [number % count, (number + 1) % count];
    const [x, y] = true_.points[i];
    const acrossMm = Math.abs(true_.points[j][0] - x);
    const kinds: Relation[] = [
      asks.apart(i, j, chordLength(measured, i)),
      asks.slant(i, (directionOf(measured, i) * 180) / Math.PI),
      asks.held(i, x, y),
      // Which of two points lies to the right has to be told from an inexact drawing.
      acrossMm > 2 ? asks.across(i, j, acrossMm) : asks.held(j, ...(true_.points[j] as [number, number])),
    ];
    return kinds[k % kinds.length];
  });
}

const someRelations = fc.array(fc.nat(1000), { minLength: 1, maxLength: 12 });

describe('settling a figure', () => {
  it('finds what holds in a true figure that was drawn inexactly', () => {
    fc.assert(
      fc.property(anyFigure, someRelations, fc.nat(1000), (true_, choose, seed) => {
        const asked = holdingIn(true_, choose);
        const points = true_.points.map(([x, y], i): Point => [
          x + 0.6 * Math.sin(seed + 3 * i),
          y + 0.6 * Math.cos(seed + 5 * i),
        ]);
        const { figure: made, unmet } = settled({ ...true_, points }, asked);
        expect(unmet).toEqual([]);
        const misses = missesOf(systemOf(asked, Unknowns.of(true_)), Unknowns.of(made));
        expect(Math.max(...misses.map(Math.abs))).toBeLessThan(1e-5);
      }),
      { numRuns: 200 },
    );
  });

  it('leaves a figure alone in which all holds, and so does settling it again', () => {
    fc.assert(
      fc.property(anyFigure, someRelations, (true_, choose) => {
        const { figure: made } = settled(true_, holdingIn(true_, choose));
        made.points.forEach(([x, y], i) => {
          expect(x).toBeCloseTo(true_.points[i][0], 6);
          expect(y).toBeCloseTo(true_.points[i][1], 6);
        });
      }),
      { numRuns: 100 },
    );
  });

  it('does not depend on where the figure lies, nor on the order of what is asked', () => {
    fc.assert(
      fc.property(anyFigure, fc.integer({ min: -50, max: 50 }), (drawn, off) => {
        const asked = [apart(0, 1, 20), level(0, 1), equal(0, 1), upright(1, 2)];
        const moved = { ...drawn, points: drawn.points.map(([x, y]): Point => [x + off, y - off]) };
        const [here, there, back] = [
          settled(drawn, asked),
          settled(moved, asked),
          settled(drawn, asked.toReversed()),
        ];
        expect(there.unmet.length).toBe(here.unmet.length);
        here.figure.points.forEach(([x, y], i) => {
          expect(there.figure.points[i][0] - off).toBeCloseTo(x, 4);
          expect(there.figure.points[i][1] + off).toBeCloseTo(y, 4);
          expect(back.figure.points[i][0]).toBeCloseTo(x, 4);
          expect(back.figure.points[i][1]).toBeCloseTo(y, 4);
        });
      }),
      { numRuns: 100 },
    );
  });

  it('follows a length as it grows, without a jump', () => {
    let drawn = figure('0,0 30,0 30,20 0,20');
    const box = [held(0, 0, 0), level(0, 1), upright(1, 2), level(2, 3), upright(3, 0)];
    for (let mm = 30; mm <= 60; mm++) {
      drawn = settled(drawn, [...box, apart(0, 1, mm)]).figure;
      expect(drawn.points[2][0]).toBeCloseTo(mm, 6);
      expect(drawn.points[2][1]).toBeCloseTo(20, 6);
    }
  });
});

describe('a point that is dragged', () => {
  const drawn = figure('0,0 30,0 30,20 0,20');

  it('goes where it is led, and the others follow as they must', () => {
    const box = [held(0, 0, 0), level(0, 1), upright(1, 2), level(2, 3), upright(3, 0)];
    const { points } = dragged(drawn, box, 2, [41, 27]);
    expect(points[1][0]).toBeCloseTo(41, 2);
    expect(points[2][1]).toBeCloseTo(27, 2);
    expect(points[3]).toEqual([expect.closeTo(0, 4), expect.closeTo(27, 2)]);
  });

  it('slides along what is set', () => {
    const { points } = dragged(drawn, [held(0, 0, 0), apart(0, 1, 30)], 1, [0, 45]);
    expect(Math.hypot(...points[1])).toBeCloseTo(30, 5);
    expect(points[1][1]).toBeGreaterThan(29);
  });

  it('stays where all is set', () => {
    const all = drawn.points.map(([x, y], i) => held(i, x, y));
    expect(dragged(drawn, all, 1, [50, 50]).points).toEqual(
      drawn.points.map((point) => point.map((mm) => expect.closeTo(mm, 5))),
    );
  });

  it('moves alone where nothing is asked of it', () => {
    const { points } = dragged(drawn, [parallel(0, 2)], 1, [33, 0]);
    expect(points[1][0]).toBeCloseTo(33, 2);
    expect(dragged(drawn, [level(2, 3)], 1, [33, 5]).points[1]).toEqual([33, 5]);
  });
});
