import fc from 'fast-check';
import { expect, it } from 'vitest';
import { trend, TREND_S, withReading, type Trend } from './trend.ts';

const at = (atS: number) => ({ atS, nozzleC: 200, bedC: 60 });

it('keeps the last ten minutes, ten seconds apart, whenever it is measured', () => {
  fc.assert(
    fc.property(fc.array(fc.double({ min: 0.2, max: 90, noNaN: true }), { maxLength: 400 }), (pauses) => {
      let kept: Trend = [];
      let nowS = 1_000_000;
      for (const pause of pauses) {
        nowS += pause;
        kept = withReading(kept, at(nowS));
        expect(trend.safeParse(kept).success).toBe(true);
        expect(nowS - kept.at(-1)!.atS).toBeLessThan(10);
        expect(nowS - kept[0].atS).toBeLessThanOrEqual(TREND_S);
      }
      for (const [i, { atS }] of kept.slice(1).entries())
        expect(atS - kept[i].atS).toBeGreaterThanOrEqual(10);
    }),
  );
});

it('is the same while nothing new is noted, so that nothing is written', () => {
  const kept = withReading([], at(100));
  expect(withReading(kept, at(105))).toBe(kept);
  expect(withReading(kept, at(110))).toHaveLength(2);
});
