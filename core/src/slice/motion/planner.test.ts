import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { cornerSpeed, secondsOf, type Segment } from './planner.ts';

const along = (
  angleDeg: number,
  lengthMm: number,
  speedMmPerS = 50,
  accelerationMmPerS2 = 1000,
): Segment => ({
  lengthMm,
  speedMmPerS,
  accelerationMmPerS2,
  direction: [Math.cos((angleDeg * Math.PI) / 180), Math.sin((angleDeg * Math.PI) / 180)],
});

describe('the time of a movement', () => {
  it('is that of speeding up, running and slowing down', () => {
    // 50 mm/s are reached after 0.05 s and 1.25 mm, and left behind as fast.
    expect(secondsOf([along(0, 100)], 0.02)).toBeCloseTo(0.1 + 97.5 / 50, 9);
    // Too short to become that fast: half the way up, half the way down, √(a l) at the peak.
    expect(secondsOf([along(0, 1)], 0.02)).toBeCloseTo((2 * Math.sqrt(1000)) / 1000, 9);
  });

  it('does not depend on how many pieces a straight run is cut into', () => {
    const whole = secondsOf([along(30, 60)], 0.02);
    expect(
      secondsOf(
        Array.from({ length: 600 }, () => along(30, 0.1)),
        0.02,
      ),
    ).toBeCloseTo(whole, 6);
  });

  it('stops where it turns back', () => {
    const there = secondsOf([along(0, 20)], 0.02);
    expect(secondsOf([along(0, 20), along(180, 20)], 0.02)).toBeCloseTo(2 * there, 9);
  });

  it('takes a square corner as fast as its circle allows', () => {
    // r = d · (√½) / (1 − √½) = 0.02 · 2.414, v = √(a r).
    const square = cornerSpeed(along(0, 10), along(90, 10), 0.02);
    expect(square).toBeCloseTo(Math.sqrt(1000 * 0.02 * (Math.SQRT1_2 / (1 - Math.SQRT1_2))), 9);
    expect(cornerSpeed(along(0, 10), along(10, 10), 0.02)).toBe(50);
  });

  const anySegment = fc.record({
    angle: fc.integer({ min: 0, max: 359 }),
    length: fc.double({ min: 0.05, max: 80, noNaN: true }),
    speed: fc.integer({ min: 10, max: 150 }),
  });

  it('is never less than at full speed throughout, and never more than with a stop at each corner', () => {
    fc.assert(
      fc.property(fc.array(anySegment, { minLength: 1, maxLength: 30 }), (all) => {
        const segments = all.map(({ angle, length, speed }) => along(angle, length, speed));
        const seconds = secondsOf(segments, 0.02);
        const atBest = segments.reduce((sum, each) => sum + each.lengthMm / each.speedMmPerS, 0);
        const withStops = segments.reduce((sum, each) => sum + secondsOf([each], 0.02), 0);
        expect(seconds).toBeGreaterThanOrEqual(atBest - 1e-9);
        expect(seconds).toBeLessThanOrEqual(withStops + 1e-9);
      }),
    );
  });

  it('is the same backwards', () => {
    fc.assert(
      fc.property(fc.array(anySegment, { minLength: 1, maxLength: 20 }), (all) => {
        const segments = all.map(({ angle, length, speed }) => along(angle, length, speed));
        const back = segments
          .map(({ direction: [x, y], ...each }): Segment => ({ ...each, direction: [-x, -y] }))
          .reverse();
        expect(secondsOf(back, 0.02)).toBeCloseTo(secondsOf(segments, 0.02), 6);
      }),
    );
  });
});
