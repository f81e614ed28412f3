import { expect, it } from 'vitest';
import { evenlyOnBall } from './solidAngle.ts';
import { spread } from './spread.ts';

it('places lie in their triangle, and as many in each quarter of it', () => {
  const inQuarter = [0, 0, 0, 0];
  for (let n = 1; n <= 400; n++) {
    const shares = spread(n);
    expect(shares[0] + shares[1] + shares[2]).toBeCloseTo(1, 12);
    for (const share of shares) expect(share).toBeGreaterThanOrEqual(0);
    // One at each corner, and the one in the middle.
    const corner = shares.findIndex((share) => share > 0.5);
    inQuarter[corner < 0 ? 3 : corner]++;
  }
  for (const count of inQuarter) expect(Math.abs(count - 100)).toBeLessThanOrEqual(6);
});

it('places lie on their ball, and as many in each eighth of it', () => {
  const places = evenlyOnBall(480);
  const inEighth = new Map<string, number>();
  for (const [x, y, z] of places) {
    expect(Math.hypot(x, y, z)).toBeCloseTo(1, 12);
    const eighth = [x, y, z].map((each) => each > 0).join();
    inEighth.set(eighth, (inEighth.get(eighth) ?? 0) + 1);
  }
  expect(inEighth.size).toBe(8);
  for (const count of inEighth.values()) expect(Math.abs(count - 60)).toBeLessThanOrEqual(4);
  // Neighbours are apart as evenly: no two come nearer than half of what they would on a grid.
  for (const [i, a] of places.entries())
    for (const b of places.slice(i + 1))
      expect(Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2])).toBeGreaterThan(
        0.5 * Math.sqrt((4 * Math.PI) / 480),
      );
});
