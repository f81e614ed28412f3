import { describe, expect, it } from 'vitest';
import { gridFor, snapped, snappedBody } from './snap';

const lines = [
  { at: 0, of: 'the middle of the plate' },
  { at: 35, of: 'the right of plate' },
];

describe('a dragged point', () => {
  it('is caught by the nearest line in reach, and else by the grid', () => {
    expect(snapped(34.6, lines, 0.5, 1)).toEqual({ at: 35, line: lines[1] });
    expect(snapped(34.4, lines, 0.5, 1)).toEqual({ at: 34 });
    expect(snapped(-0.3, lines, 0.5, 1).at).toBe(0);
  });
});

describe('a dragged body', () => {
  it('is caught by its edges and its middle alike, by whichever is closest', () => {
    expect(snappedBody(0.2, 4, lines, 0.5, 1)).toEqual({ at: 0, line: lines[0] });
    expect(snappedBody(30.8, 4, lines, 0.5, 1)).toEqual({ at: 31, line: lines[1] });
    expect(snappedBody(4.1, 4, lines, 0.5, 1)).toEqual({ at: 4, line: lines[0] });
    expect(snappedBody(12.3, 4, lines, 0.5, 1)).toEqual({ at: 12 });
  });
});

it('the grid is as fine as can be aimed at', () => {
  expect(gridFor(3)).toBe(5);
  expect(gridFor(8)).toBe(0.5);
  expect(gridFor(60)).toBe(0.1);
});
