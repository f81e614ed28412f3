import { stepOf } from './evaluated.ts';

/** A block of 40 × 30 × 10 mm, step s1, that other steps are placed on. */
export const block = stepOf('extrude', 's1', undefined, {
  outline: { shape: 'roundedRectangle', widthMm: 40, depthMm: 30, cornerMm: 0 },
  depth: { type: 'by', mm: 10 },
});

/** Its volume, mm³. */
export const BLOCK = 12_000;

/** A square outline. */
export const square = (mm: number) =>
  ({ shape: 'roundedRectangle', widthMm: mm, depthMm: mm, cornerMm: 0 }) as const;
