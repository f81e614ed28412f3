import { plateSize, type MachineSheet } from '../machine/index.ts';
import { coveredBy, type Plate, type Placed } from './placement.ts';

/** Parts laid automatically lie exactly as near to the edge as they may; rounding must not make that too near. */
const TINY_MM = 0.02;

/**
 * How far a batch is shifted on a printer's plate, mm: its middle comes to lie on the middle of that plate, whatever the
 * size of the plate is on which it was laid out.
 */
export function shiftOnto(
  { plate }: Pick<MachineSheet, 'plate'>,
  laidOn: Pick<Plate, 'widthMm' | 'depthMm'>,
): [number, number] {
  const [widthMm, depthMm] = plateSize(plate);
  return [(widthMm - laidOn.widthMm) / 2, (depthMm - laidOn.depthMm) / 2];
}

/**
 * The rectangle in the middle of the plate that a batch is laid out on which a printer's plate has too: whatever lies on it
 * lies on both. Of a round plate it is a square whose corners, its edge left out, just lie on the plate.
 */
export function sharedPlate(laidOn: Plate, { plate }: Pick<MachineSheet, 'plate'>): Plate {
  const { edgeMm } = laidOn;
  const [widthMm, depthMm] =
    plate.shape === 'round'
      ? [0, 0].map(() => 2 * edgeMm + (plate.diameterMm - 2 * edgeMm) / Math.SQRT2)
      : plateSize(plate);
  return { widthMm: Math.min(widthMm, laidOn.widthMm), depthMm: Math.min(depthMm, laidOn.depthMm), edgeMm };
}

/** The parts of a batch that would not lie on the plate of a printer with a sheet, or too near to its edge. */
export function outsideOfSheet(
  placed: readonly Placed[],
  laidOn: Plate,
  { plate }: Pick<MachineSheet, 'plate'>,
): string[] {
  const [halfWidthMm, halfDepthMm] = plateSize(plate).map((mm) => mm / 2 - laidOn.edgeMm + TINY_MM);
  const isOff = (x: number, y: number) =>
    plate.shape === 'round'
      ? Math.hypot(x, y) > halfWidthMm
      : Math.abs(x) > halfWidthMm || Math.abs(y) > halfDepthMm;
  return placed
    .filter((part) =>
      coveredBy(part.footprint, part).some((outline) =>
        outline.some(([x, y]) => isOff(x - laidOn.widthMm / 2, y - laidOn.depthMm / 2)),
      ),
    )
    .map(({ id }) => id);
}
