import fc from 'fast-check';
import { expect, it } from 'vitest';
import { star } from '../../test/star.ts';
import { Enclosure } from './enclosure.ts';
import { isInside, toEdgeMm, type Outline, type Point, type Region } from './index.ts';

const offset = fc.tuple(fc.integer({ min: -12, max: 12 }), fc.integer({ min: -12, max: 12 }));
const ring = fc
  .tuple(fc.integer({ min: 4, max: 12 }), fc.integer({ min: 1, max: 3 }))
  .map(([half, hole]): Region => [box(half), box(hole).toReversed()]);
const box = (half: number): Outline => [[-half, -half], [half, -half], [half, half], [-half, half]]; // oxfmt-ignore

const edgesOf = (region: Region) =>
  region.flatMap((outline) => outline.map((a, i) => [a, outline[(i + 1) % outline.length]] as const));
const isIn = (region: Region, at: Point) =>
  region.filter((outline) => isInside(at, outline)).length % 2 === 1;

/** Whether a shape lies in a room, by very many places on both; undefined where that is too close to tell. */
function liesIn(room: Region, shape: Region): boolean | undefined {
  const places = edgesOf(shape).flatMap(([a, b]) =>
    Array.from({ length: 80 }, (_, i): Point => [
      a[0] + (i / 80) * (b[0] - a[0]),
      a[1] + (i / 80) * (b[1] - a[1]),
    ]),
  );
  const near = edgesOf(room).map(
    ([a, b]) =>
      (at: Point) =>
        toEdgeMm(...at, ...a, ...b),
  );
  const scale = Math.max(...shape.flat(2).map(Math.abs));
  const isClear = (at: Point) => near.every((mm) => mm(at) > scale / 50);
  if (places.some((at) => isClear(at) && !isIn(room, at))) return false;
  if (!places.every(isClear)) return undefined;
  const takesIn = room.some((outline) => outline.some((at) => isIn(shape, at)));
  return !takesIn;
}

it('knows whether a shape lies in a room, as very many places on its edges tell', () => {
  const any = star({ corners: 9, leastMm: 2, mostMm: 12 });
  const rooms = fc.oneof(any, ring);
  const shapes = fc.oneof(star({ corners: 5, leastMm: 1, mostMm: 3 }), ring, fc.constant<Region>([box(1)]));
  let [inside, outside] = [0, 0];
  fc.assert(
    // Also far smaller than a millimetre.
    fc.property(rooms, shapes, offset, fc.constantFrom(1, 1 / 100), (room, shape, by, scale) => {
      const small = (region: Region, [dx, dy]: Point): Region =>
        region.map((outline) => outline.map(([x, y]): Point => [scale * (x + dx), scale * (y + dy)]));
      const expected = liesIn(small(room, [0, 0]), small(shape, by));
      if (expected === undefined) return;
      const enclosure = new Enclosure(small(room, [0, 0]));
      expect(enclosure.holds(small(shape, [0, 0]), [scale * by[0], scale * by[1]])).toBe(expected);
      if (expected) inside++;
      else outside++;
    }),
    { numRuns: 400 },
  );
  expect(Math.min(inside, outside)).toBeGreaterThan(20);
});
