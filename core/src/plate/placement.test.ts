import fc from 'fast-check';
import { expect, it } from 'vitest';
import { coveredBy, onPart, onPlate } from './placement.ts';

const mm = fc.double({ min: -150, max: 150, noNaN: true });
const pose = fc.record({ xMm: mm, yMm: mm, turnDeg: fc.integer({ min: 0, max: 359 }) });

it('a place of a part lies where the part covers the plate, and the other way about', () => {
  fc.assert(
    fc.property(pose, fc.tuple(mm, mm), (laid, place) => {
      const [x, y] = onPlate(laid)(place);
      expect(coveredBy([[place]], laid)).toEqual([[[expect.closeTo(x, 8), expect.closeTo(y, 8)]]]);
      expect(onPart(laid)([x, y])).toEqual(place.map((each) => expect.closeTo(each, 8) as number));
    }),
  );
});

it('a part is turned counter-clockwise about the middle of its box', () => {
  const laid = { xMm: 100, yMm: 50, turnDeg: 90 };
  expect(onPlate(laid)([0, 0])).toEqual([100, 50]);
  expect(onPlate(laid)([7, 2])).toEqual([expect.closeTo(98, 9), expect.closeTo(57, 9)]);
  expect(onPart(laid)([98, 57])).toEqual([expect.closeTo(7, 9), expect.closeTo(2, 9)]);
});
