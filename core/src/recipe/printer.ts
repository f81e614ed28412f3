import * as z from 'zod';

/** How tightly a hole holds the thing that is put into it. */
export const fit = z.enum(['loose', 'sliding', 'snug', 'press']);
export type Fit = z.infer<typeof fit>;

/** What a recipe has to know of the printer, since some sentences leave it to Kelbrin: "to fit a cane of Ø 8 mm". */
export interface PrinterTraits {
  /** The steepest lean that prints with nothing under it: 0° is a wall, 90° a ceiling. */
  readonly maxOverhangDeg: number;
  /** By how much plastic shrinks as it cools, in per cent of a length. */
  readonly shrinkagePercent: number;
  /** What is added to the diameter of an object for its hole, mm. */
  readonly fitAllowanceMm: Readonly<Record<Fit, number>>;
}

/** An ordinary classroom printer with a 0.4 mm nozzle and PLA. */
export const classroomPrinter: PrinterTraits = {
  maxOverhangDeg: 45,
  shrinkagePercent: 0.3,
  fitAllowanceMm: { loose: 0.6, sliding: 0.35, snug: 0.2, press: 0.05 },
};

/** The diameter to draw for a hole that an object shall fit into: its own, the fit's allowance, and the shrinkage. */
export function fittedDiameter(objectMm: number, how: Fit, printer: PrinterTraits): number {
  return (objectMm + printer.fitAllowanceMm[how]) / (1 - printer.shrinkagePercent / 100);
}
