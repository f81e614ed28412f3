import type { Box, Vec3 } from '../mesh/index.ts';
import type { Inspection } from './result/inspection.ts';
import type { LimitsCard } from './card/limits.ts';
import { rounded } from './measure/subject.ts';

/** A size of a part as it was drawn and as it comes out of the printer. */
export interface PrintedSize {
  readonly of: 'width' | 'depth' | 'height' | 'hole';
  readonly drawnMm: number;
  readonly printedMm: number;
  /** Where it is read, on the part as it stands. */
  readonly at: Vec3;
}

/** The outer sizes and the holes of an inspected part, with what is left of them when the plastic has shrunk. */
export function printedSizes(
  { checks }: Inspection,
  { min, max }: Box,
  { shrinkagePercent }: LimitsCard,
): PrintedSize[] {
  const outer = (of: 'width' | 'depth' | 'height', axis: 0 | 1 | 2, at: Vec3): PrintedSize => {
    const drawnMm = rounded(max[axis] - min[axis]);
    return { of, drawnMm, printedMm: rounded(drawnMm * (1 - shrinkagePercent / 100)), at };
  };
  const middle = (axis: 0 | 1 | 2) => (min[axis] + max[axis]) / 2;
  const holes = checks.flatMap(({ findings }) =>
    findings.flatMap(({ hole, measured, at }): PrintedSize[] =>
      hole?.printedMm === undefined ? [] : [{ of: 'hole', drawnMm: measured, printedMm: hole.printedMm, at }],
    ),
  );
  return [
    outer('width', 0, [middle(0), min[1], min[2]]),
    outer('depth', 1, [max[0], middle(1), min[2]]),
    outer('height', 2, [max[0], min[1], middle(2)]),
    ...holes,
  ];
}
