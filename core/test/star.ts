import fc from 'fast-check';
import type { Point, Region } from '../src/plane/index.ts';

/** Regions without holes: corners at random distances, mm, about a middle, in order. */
export function star({
  corners,
  leastMm,
  mostMm,
}: {
  corners: number;
  leastMm: number;
  mostMm: number;
}): fc.Arbitrary<Region> {
  const far = fc.integer({ min: Math.round(8 * leastMm), max: Math.round(8 * mostMm) });
  return fc
    .array(fc.tuple(fc.integer({ min: 5, max: 60 }), far), { minLength: 3, maxLength: corners })
    .map((all) => {
      const whole = all.reduce((sum, [step]) => sum + step, 0);
      let angle = 0;
      const outline = all.map(([step, eighths]): Point => {
        angle += (2 * Math.PI * step) / whole;
        return [(eighths / 8) * Math.cos(angle), (eighths / 8) * Math.sin(angle)];
      });
      return [outline];
    });
}
