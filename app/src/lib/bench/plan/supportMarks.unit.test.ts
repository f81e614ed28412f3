import { expect, it } from 'vitest';
import { supportMarks } from './supportMarks';

const line = (z: number, x = 0) => [x, 0, z, x, 10, z];

it('shows the lines of a column once, however high it is, and each line beside them', () => {
  const column = Array.from({ length: 50 }, (_, layer) => line(0.2 * layer)).flat();
  expect(supportMarks(new Float32Array(column))).toEqual([[0, 0, 0, 10]]);
  expect(supportMarks(new Float32Array([...column, ...line(3, 2)]))).toEqual([
    [0, 0, 0, 10],
    [2, 0, 2, 10],
  ]);
  expect(supportMarks(new Float32Array())).toEqual([]);
});

it('shows no more than can be told apart', () => {
  const many = Array.from({ length: 9000 }, (_, i) => line(0.2, i)).flat();
  expect(supportMarks(new Float32Array(many))).toHaveLength(4000);
});
