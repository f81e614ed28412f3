import fc from 'fast-check';
import { expect, it } from 'vitest';
import type { Handle, Point } from '@kelbrin/core/recipe';
import { APART_PX, keptApart } from './apart';

const handle = (kind: Handle['kind'], at: Point, along?: 'x' | 'y'): Handle => ({
  kind,
  at,
  along,
  label: kind,
  to: () => [],
});
const twice = ([x, y]: Point): Point => [2 * x, 2 * y];

it('leaves handles where they are while they are apart', () => {
  const all = [handle('move', [0, 0]), handle('size', [40, 0], 'x'), handle('turn', [0, 50])];
  expect(keptApart(all, twice)).toEqual([[0, 0], [80, 0], [0, 100]]); // oxfmt-ignore
});

it('never lets one lie on the handle that moves, and moves none aside of its direction', () => {
  const place = fc.tuple(fc.double({ min: -50, max: 50, noNaN: true }), fc.double({ min: -50, max: 50, noNaN: true })); // oxfmt-ignore
  fc.assert(
    fc.property(place, place, (middle, other) => {
      const all = [handle('move', middle), handle('size', [other[0], middle[1]], 'x'), handle('turn', other)];
      const [at, size, turn] = keptApart(all, twice);
      expect(at).toEqual(twice(middle));
      expect(size[1]).toBeCloseTo(at[1], 6);
      for (const [x, y] of [size, turn])
        expect(Math.hypot(x - at[0], y - at[1])).toBeGreaterThan(APART_PX - 1e-6);
    }),
  );
});
