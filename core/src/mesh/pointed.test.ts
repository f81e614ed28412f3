import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { pointedInPlane, pointedOnLine, type Vec3 } from './index.ts';
import { cross, dot, lengthOf, minus, plus, times, unit } from './vectors.ts';

const place = fc.tuple(...([0, 1, 2] as const).map(() => fc.double({ min: -100, max: 100, noNaN: true })));
const direction = place.filter((way) => lengthOf(way as unknown as Vec3) > 1);
const vec = (values: readonly number[]): Vec3 => [values[0], values[1], values[2]];

describe('what is pointed at', () => {
  it('on a line is its place nearest to the line of sight', () => {
    fc.assert(
      fc.property(place, direction, place, direction, (through, along, from, way) => {
        const [a, w] = [unit(vec(along)), unit(vec(way))];
        const sight = { from: vec(from), way: vec(way) };
        const found = pointedOnLine(vec(through), a, sight);
        if (!found) {
          expect(lengthOf(cross(a, w))).toBeLessThan(0.02);
          return;
        }
        const awayFrom = (point: Vec3) => lengthOf(cross(minus(point, sight.from), w));
        // It lies on the line, and a step to either side lies no nearer.
        expect(lengthOf(cross(minus(found, vec(through)), a))).toBeLessThan(1e-6);
        for (const mm of [-0.5, 0.5])
          expect(awayFrom(plus(found, times(a, mm)))).toBeGreaterThanOrEqual(awayFrom(found) - 1e-9);
      }),
    );
  });

  it('in a plane lies in it and on the line of sight, wherever the plane is not seen from its edge', () => {
    fc.assert(
      fc.property(place, direction, place, (through, across, from) => {
        const normal = unit(vec(across));
        const way = minus(vec(through), vec(from));
        if (lengthOf(way) < 1 || Math.abs(dot(unit(way), normal)) < 0.2) return;
        expect(lengthOf(minus(pointedInPlane(vec(through), normal, { from: vec(from), way })!, vec(through)))).toBeLessThan(1e-6);
      }),
    ); // oxfmt-ignore
  });

  it('in a plane that is seen from its edge moves along the edge alone', () => {
    const at = (x: number, z: number) =>
      pointedInPlane([0, 0, 0], [0, 0, 1], { from: [x, -200, z], way: [0, 1, 0] })!;
    expect(at(7, 3)).toEqual([expect.closeTo(7, 9), expect.closeTo(0, 9), expect.closeTo(0, 9)]);
    expect(at(7, -5)[0]).toBeCloseTo(7, 9);
  });

  it('behind the eye is nothing', () => {
    expect(pointedInPlane([0, 0, 0], [0, 0, 1], { from: [0, 0, 5], way: [0, 0, 1] })).toBeUndefined();
    expect(pointedOnLine([0, 0, 0], [0, 0, 1], { from: [0, 0, 50], way: [0, 0, -1] })).toBeUndefined();
  });
});
