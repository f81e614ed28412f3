import { expect, it } from 'vitest';
import { cutThrough, type Path } from '../index.ts';

const line = (points: [number, number][], closed = false): Path => ({
  role: 'wall',
  points,
  closed,
  widthMm: 0.4,
});
const toolpath = (...paths: Path[]) => ({ layers: [{ zMm: 0.2, thickMm: 0.2, pace: 1, paths }] });

it('shows where lines cross the plane, as wide as they are', () => {
  const square = line(
    [
      [0, 0],
      [10, 0],
      [10, 10],
      [0, 10],
    ],
    true,
  );
  const cuts = cutThrough(toolpath(square), 4);
  expect(cuts.map(({ xMm }) => xMm).toSorted()).toEqual([0, 10]);
  expect(cuts[0]).toMatchObject({ role: 'wall', widthMm: 0.4, topMm: 0.2, thickMm: 0.2 });
});

it('shows more of a line that is crossed at a slant, and nothing of one that is not crossed', () => {
  const slanting = line([
    [0, 0],
    [10, 10],
  ]);
  const [{ xMm, widthMm }] = cutThrough(toolpath(slanting), 5);
  expect(xMm).toBeCloseTo(5);
  expect(widthMm).toBeCloseTo(0.4 * Math.SQRT2);
  expect(cutThrough(toolpath(slanting), 11)).toEqual([]);
  // A short line is no longer than it is with its round ends, however flatly it is crossed.
  const short = line([[0, 4.99], [0.3, 5.01]]); // oxfmt-ignore
  expect(cutThrough(toolpath(short), 5)[0].widthMm).toBeCloseTo(0.4 + Math.hypot(0.3, 0.02));
  // Away from the origin and from its middle.
  const steep = line([[7, 20], [13, 5]]); // oxfmt-ignore
  expect(cutThrough(toolpath(steep), 10)[0].xMm).toBeCloseTo(11);
});

it('shows of a line that runs nearly along the plane no more than forty widths', () => {
  const [{ widthMm }] = cutThrough(toolpath(line([[0, 0], [100, 0.01]])), 0.005); // oxfmt-ignore
  expect(widthMm).toBeCloseTo(16);
});
