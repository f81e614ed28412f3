import fc from 'fast-check';
import { expect, it } from 'vitest';
import type { Region } from '../../plane/index.ts';
import { leaning, type Room } from './leaning.ts';
import { apartMm, comesNear, type Stem } from './stem.ts';

const square = (low: number, high: number): Region => [
  [
    [low, low],
    [high, low],
    [high, high],
    [low, high],
  ],
];
const open: Room = { away: [], bounds: square(-50, 50) };
const stem = (x: number, y = 0): Stem => ({ x, y, radiusMm: 1.2 });
const STEP = { zMm: 30, stepMm: 0.4 };
/** By how much a side of a stem may move from layer to layer, for lines of 0.45 mm that lie half on those below. */
const MOST_MM = 0.225;

/** A stem followed down to the plate. */
function downTo(stems: readonly Stem[], room: Room): readonly Stem[] {
  let now = stems;
  for (let zMm = 30; zMm > 0; zMm -= 0.4) now = leaning(now, room, { zMm, stepMm: 0.4 }).stems;
  return now;
}

it('brings two together, which go on as one, a little wider', () => {
  const [one, ...more] = downTo([stem(-6), stem(6)], open);
  expect(more).toEqual([]);
  expect(one.x).toBeCloseTo(0, 6);
  expect(one.radiusMm).toBeGreaterThan(1.6);
});

it('lets a stem grow wider as it goes down, by as much per millimetre whatever the layers, up to a width', () => {
  const radiusAfter = (mm: number, stepMm: number) => {
    let now: readonly Stem[] = [stem(3, 5)];
    for (let i = 0; i < Math.round(mm / stepMm); i++)
      now = leaning(now, open, { zMm: 40 - i * stepMm, stepMm }).stems;
    return now[0].radiusMm;
  };
  const grown = radiusAfter(8, 0.4) - 1.2;
  expect(grown).toBeGreaterThan(0.02);
  expect(radiusAfter(8, 0.2) - 1.2).toBeCloseTo(grown, 9);
  expect(radiusAfter(4, 0.4) - 1.2).toBeCloseTo(grown / 2, 9);
  expect(radiusAfter(400, 0.4)).toBe(radiusAfter(800, 0.4));
});

it('leaves what is too far to be joined before the plate where it is', () => {
  const stems = downTo([stem(-15), stem(15)], open);
  expect(stems.map(({ x }) => x)).toEqual([-15, 15]);
});

it('goes around what lies in its way, and lands where it cannot', () => {
  const wall: Room = { ...open, away: square(2.4, 20) };
  const { stems, landed } = leaning([stem(1.1, 5)], wall, STEP);
  expect(landed).toEqual([]);
  expect(stems[0].x).toBeLessThan(1.1);
  // As it goes around it along the other axis.
  expect(leaning([stem(5, 1.1)], wall, STEP).stems[0].y).toBeLessThan(1.1);
  const behind: Room = { ...open, away: square(-20, -2.4) };
  expect(leaning([stem(-5, -1.1)], behind, STEP).stems[0].y).toBeGreaterThan(-1.1);
  const top: Room = { ...open, away: square(-10, 10) };
  expect(leaning([stem(0)], top, STEP)).toEqual({ stems: [], landed: [stem(0)] });
});

it('never leans further than plastic can be laid, nor comes near to what it keeps away from', () => {
  const places = fc.tuple(fc.double({ min: -30, max: 30, noNaN: true }), fc.double({ min: -30, max: 30, noNaN: true })); // oxfmt-ignore
  fc.assert(
    fc.property(fc.array(places, { minLength: 1, maxLength: 12 }), places, (spots, [x, y]) => {
      const away: Region = [square(0, 8)[0].map((at): [number, number] => [at[0] + x, at[1] + y])];
      const stems = spots.map(([atX, atY]) => stem(atX, atY)).filter((each) => !comesNear(each, away));
      const lower = leaning(stems, { ...open, away }, STEP);
      for (const each of lower.stems) {
        expect(comesNear(each, away)).toBe(false);
        // Each stands under one of those above: two steps of layers, and half of what made two of them one.
        const nearest = Math.min(...stems.map((other) => apartMm(each, other)));
        expect(nearest).toBeLessThanOrEqual(2 * MOST_MM + 0.35 / 2);
      }
      expect(lower.stems.length + lower.landed.length).toBeLessThanOrEqual(stems.length);
    }),
  );
});
