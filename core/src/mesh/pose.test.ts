import fc from 'fast-check';
import { expect, it } from 'vitest';
import { combined, inverse, isSquare, mirror, posed, shift, stretch, turn, type Pose } from './index.ts';

const mm = fc.double({ min: -50, max: 50, noNaN: true });
const axis = fc.constantFrom<'x' | 'y' | 'z'>('x', 'y', 'z');
const pose = fc
  .tuple(mm, mm, mm, axis, mm, fc.double({ min: 0.2, max: 4, noNaN: true }), fc.boolean())
  .map(([x, y, z, about, deg, by, isMirrored]): Pose =>
    combined(
      shift([x, y, z]),
      turn(about, deg * 7),
      ...(isMirrored ? [mirror(about)] : []),
      stretch([by, 1, 2 * by]),
    ),
  );

it('what undoes a pose brings every place back', () => {
  fc.assert(
    fc.property(pose, mm, mm, mm, (there, x, y, z) => {
      const back = posed(combined(inverse(there), there), [x, y, z]);
      [x, y, z].forEach((value, i) => expect(back[i]).toBeCloseTo(value, 6));
    }),
  );
});

it('quarter turns, mirrorings, scales and moves leave boxes boxes, and other turns do not', () => {
  expect(isSquare(combined(shift([1, 2, 3]), turn('x', 90), mirror('y'), stretch([1, 2, 3])))).toBe(true);
  expect(isSquare(turn('z', 45))).toBe(false);
});
