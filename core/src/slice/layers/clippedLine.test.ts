import fc from 'fast-check';
import { expect, it } from 'vitest';
import { OutlineRuns, type Outline } from '../../plane/index.ts';
import { clippedLine } from './clippedLine.ts';

/** A plate with a hole. */
const outlines: Outline[] = [
  [[0, 0], [40, 0], [40, 30], [0, 30]],
  [[10, 10], [10, 20], [25, 20], [25, 10]],
]; // oxfmt-ignore
const region = outlines.map((outline) => new OutlineRuns(outline));
const isIn = (x: number, y: number) =>
  x > 0 && x < 40 && y > 0 && y < 30 && !(x > 10 && x < 25 && y > 10 && y < 20);

it('keeps what of a line lies in a region, and nothing else', () => {
  // Along an edge a line is neither in nor out, which is not asked here.
  const place = fc
    .tuple(fc.integer({ min: -60, max: 240 }), fc.integer({ min: -60, max: 200 }))
    .map(([x, y]) => [x * 0.2113 + 0.0317, y * 0.2113 + 0.0319] as const);
  fc.assert(
    fc.property(fc.array(place, { minLength: 2, maxLength: 6 }), (points) => {
      const pieces = clippedLine(points, region);
      const lengthOf = (line: readonly (readonly [number, number])[]) =>
        line.slice(1).reduce((sum, [x, y], i) => sum + Math.hypot(x - line[i][0], y - line[i][1]), 0);
      // Measured in small steps by a rule of its own.
      let within = 0;
      for (const [i, [x, y]] of points.slice(1).entries()) {
        const [fromX, fromY] = points[i];
        const length = Math.hypot(x - fromX, y - fromY);
        const steps = Math.ceil(length / 0.05);
        for (let k = 0; k < steps; k++) {
          const t = (k + 0.5) / steps;
          if (isIn(fromX + t * (x - fromX), fromY + t * (y - fromY))) within += length / steps;
        }
      }
      const kept = pieces.reduce((sum, piece) => sum + lengthOf(piece), 0);
      expect(Math.abs(kept - within)).toBeLessThan(1.5);
    }),
  );
});

it('gives a line that crosses a hole in two pieces that end on its edge', () => {
  expect(clippedLine([[-5, 15], [45, 15]], region)).toEqual([
    [[0, 15], [10, 15]],
    [[25, 15], [40, 15]],
  ]); // oxfmt-ignore
});
