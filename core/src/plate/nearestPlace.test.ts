import fc from 'fast-check';
import { expect, it } from 'vitest';
import { conflictsOf, nearestPlace, type Placed } from './index.ts';

const plate = { widthMm: 200, depthMm: 200, edgeMm: 5 };
const GAP_MM = 3;
const square = (id: string, xMm: number, yMm: number, turnDeg = 0): Placed => ({
  id,
  xMm,
  yMm,
  turnDeg,
  footprint: [
    [
      [-10, -10],
      [10, -10],
      [10, 10],
      [-10, 10],
    ],
  ],
});

it('leaves a part where it is if there is room', () => {
  expect(nearestPlace(square('a', 50, 50), [square('b', 80, 50)], plate, GAP_MM, 10)).toEqual({
    xMm: 50,
    yMm: 50,
  });
});

it('moves a part that is too near just as far away as it must', () => {
  const place = nearestPlace(square('a', 50, 50), [square('b', 70, 50)], plate, GAP_MM, 10)!;
  expect(place.xMm).toBeCloseTo(47, 1);
  expect(place.yMm).toBeCloseTo(50, 1);
});

it('brings a part back onto the plate', () => {
  const place = nearestPlace(square('a', 12, 100), [], plate, GAP_MM, 10)!;
  expect(place.xMm).toBeCloseTo(15, 1);
});

it('goes as far as it may, and not a step further', () => {
  const place = nearestPlace(square('a', 50, 50), [square('b', 63, 50)], plate, GAP_MM, 10)!;
  expect(place.xMm).toBeCloseTo(40, 6);
  expect(nearestPlace(square('a', 50, 50), [square('b', 63, 50)], plate, GAP_MM, 9.5)).toBeUndefined();
});

it.each([
  ['left', -20, 0],
  ['front', 0, -20],
  ['right', 20, 0],
  ['back', 0, 20],
])('moves away from a part at its %s, straight and no further', (_, dx, dy) => {
  const place = nearestPlace(square('a', 100, 100), [square('b', 100 + dx, 100 + dy)], plate, GAP_MM, 10)!;
  expect(place.xMm).toBeCloseTo(100 - 3 * Math.sign(dx), 1);
  expect(place.yMm).toBeCloseTo(100 - 3 * Math.sign(dy), 1);
});

it('finds none where it would be far', () => {
  expect(nearestPlace(square('a', 70, 50), [square('b', 70, 50)], plate, GAP_MM, 10)).toBeUndefined();
});

it('never ends too near, whatever lies around', () => {
  const somewhere = fc.record({
    x: fc.integer({ min: 20, max: 180 }),
    y: fc.integer({ min: 20, max: 180 }),
    turn: fc.integer({ min: 0, max: 23 }),
  });
  fc.assert(
    fc.property(somewhere, fc.array(somewhere, { maxLength: 5 }), (own, around) => {
      const part = square('own', own.x, own.y, 15 * own.turn);
      const others = around.map(({ x, y, turn }, i) => square(String(i), x, y, 15 * turn));
      const place = nearestPlace(part, others, plate, GAP_MM, 10);
      if (!place) return;
      const { pairs, outside } = conflictsOf([{ ...part, ...place }, ...others], plate, GAP_MM);
      expect(pairs.flat()).not.toContain('own');
      expect(outside).not.toContain('own');
    }),
    { numRuns: 60 },
  );
});
