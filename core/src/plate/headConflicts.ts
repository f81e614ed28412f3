import type { PrintHead } from '../machine/index.ts';

/** A part as what is above the nozzle has to pass over it. */
interface Standing {
  readonly id: string;
  readonly heightMm: number;
}

/** Less is what rounding leaves, mm. */
const TINY_MM = 0.02;

/**
 * The parts of a plate that the beam above the nozzle would touch if parts were printed one after another: while the next
 * one begins on the plate, all before it stand there. The lowest are printed first, so only the highest may be any height.
 * What moves beside the nozzle is heeded by how far apart parts lie.
 */
export function headConflicts(
  parts: readonly Standing[],
  { beamMm }: Pick<PrintHead, 'beamMm'>,
): readonly string[] {
  return parts
    .toSorted((a, b) => a.heightMm - b.heightMm)
    .slice(0, -1)
    .filter(({ heightMm }) => heightMm > beamMm + TINY_MM)
    .map(({ id }) => id);
}
