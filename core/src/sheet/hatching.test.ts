import { describe, expect, it } from 'vitest';
import { circlePoints, moved } from '../plane/index.ts';
import { hatching } from './hatching.ts';

describe('hatching', () => {
  const ring = [circlePoints(20), ...moved([circlePoints(8)], 3, 0)];
  const lines = hatching(ring, 0.1);

  it('covers the area, and not the openings in it', () => {
    // Lines so far apart stand for strips of that width.
    const area = 0.1 * lines.reduce((sum, [[ax, ay], [bx, by]]) => sum + Math.hypot(bx - ax, by - ay), 0);
    expect(area).toBeGreaterThan(0.995 * Math.PI * (400 - 64));
    expect(area).toBeLessThan(1.001 * Math.PI * (400 - 64));
  });

  it('goes up to the right', () => {
    for (const [[ax, ay], [bx, by]] of lines) expect(by - ay).toBeCloseTo(bx - ax, 9);
  });

  it('is nothing for nothing', () => {
    expect(hatching([], 2)).toEqual([]);
  });
});
