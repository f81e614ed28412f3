import type { Stroke } from './drawing.ts';

/** How far samples of a line are apart, mm. */
export const SAMPLE_MM = 0.1;

/** A place on a line. */
export interface Sample {
  readonly at: readonly [number, number];
  readonly way: readonly [number, number];
  readonly widthMm: number;
}

/** Places along a line, its ends among them. */
export function samplesOf({ points, widthsMm }: Stroke): Sample[] {
  return widthsMm.flatMap((widthMm, i): Sample[] => {
    const [[ax, ay], [bx, by]] = [points[i], points[i + 1]];
    const mm = Math.hypot(bx - ax, by - ay);
    const steps = Math.max(1, Math.ceil(mm / SAMPLE_MM));
    const way = [(bx - ax) / mm, (by - ay) / mm] as const;
    return Array.from({ length: steps + (i === 0 ? 1 : 0) }, (_, k) => {
      const share = (k + (i === 0 ? 0 : 1)) / steps;
      return { at: [ax + share * (bx - ax), ay + share * (by - ay)] as const, way, widthMm };
    });
  });
}
