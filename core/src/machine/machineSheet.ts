import * as z from 'zod';

const lengthMm = z.number().min(20).max(2000);
const speedMmPerS = z.number().min(1).max(2000);
const accelerationMmPerS2 = z.number().min(10).max(50_000);
/**
 * Lines of G-code with named values. At its start positions are absolute and filament is counted for each move, whatever the
 * dialect of the printer is.
 */
const code = z.string().max(4000);

/** One figure an axis, and one for the filament. */
const byMotor = <T extends z.ZodType>(figure: T) =>
  z.strictObject({ x: figure, y: figure, z: figure, filament: figure });

/** The plate: a rectangle or a disc. */
export const plateShape = z.discriminatedUnion('shape', [
  z.strictObject({ shape: z.literal('rectangle'), widthMm: lengthMm, depthMm: lengthMm }),
  z.strictObject({ shape: z.literal('round'), diameterMm: lengthMm }),
]);
export type PlateShape = z.infer<typeof plateShape>;

/** Where the G-code of printers differs. */
export const dialect = z.strictObject({
  /** Whether it takes M204. */
  takesAccelerations: z.boolean(),
  /** Whether it takes M205 with a corner distance. */
  takesCorners: z.boolean(),
  /** The number that means a fan at its fastest. */
  fanFull: z.union([z.literal(255), z.literal(100), z.literal(1)]),
  /** Whether it takes G2 and G3. */
  takesArcs: z.boolean(),
  /** Whether filament is counted for each move (M83) or from the start of the print (M82). */
  filament: z.enum(['relative', 'absolute']),
  /** Whether it retracts by itself (G10, G11), by the length that is set in it. */
  retractsByItself: z.boolean(),
  /** Whether it shows thumbnails at the head of a file. */
  showsThumbnails: z.boolean(),
});
export type Dialect = z.infer<typeof dialect>;

/** What most printers of classrooms understand. */
export const ordinaryDialect: Dialect = {
  takesAccelerations: true,
  takesCorners: true,
  fanFull: 255,
  takesArcs: false,
  filament: 'relative',
  retractsByItself: false,
  showsThumbnails: false,
};

/** What moves with the nozzle, and must not touch what stands on the plate. */
const printHead = z.strictObject({
  /** How far it reaches around the nozzle, a little above the plate. */
  besideMm: z.number().min(5).max(200),
  /** How high above the tip of the nozzle the beam is that carries it from side to side. */
  beamMm: z.number().min(0).max(500),
});
export type PrintHead = z.infer<typeof printHead>;

/** A head that most printers of classrooms are no larger than. */
export const ordinaryHead: PrintHead = { besideMm: 35, beamMm: 20 };

/** What one model of printer is like; the printers of that model share it. */
export const machineSheet = z.strictObject({
  format: z.literal('kelbrin-machine-sheet'),
  version: z.literal(1),
  name: z.string().trim().min(1).max(60),
  plate: plateShape,
  /** Where on the plate x and y are 0. */
  origin: z.enum(['frontLeft', 'middle']),
  heightMm: lengthMm,
  filamentMm: z.union([z.literal(1.75), z.literal(2.85)]),
  /** The nozzles that there are for it, the usual one first. */
  nozzlesMm: z.array(z.number().min(0.1).max(2)).min(1).max(8),
  heatsPlate: z.boolean(),
  hasChamber: z.boolean(),
  /** How many filaments it can change between by itself. */
  filaments: z.number().int().min(1).max(8),
  maxSpeedMmPerS: byMotor(speedMmPerS),
  maxAccelerationMmPerS2: byMotor(accelerationMmPerS2),
  /** How far the circle of a corner that is taken at speed may stay away from the corner. */
  cornerDeviationMm: z.number().min(0.001).max(1),
  head: printHead.default(ordinaryHead),
  maxNozzleC: z.number().min(150).max(500),
  /** The highest temperature of its plate; means nothing where none is heated. */
  maxPlateC: z.number().min(0).max(200),
  /** The highest temperature of its chamber; means nothing where it has none. */
  maxChamberC: z.number().min(0).max(120).default(60),
  /** Whether it levels its plate before each print. */
  levels: z.boolean(),
  /** G-code before and after each print, at a pause, and where a person or the printer itself changes the filament. */
  code: z.strictObject({
    before: code,
    after: code,
    pause: code,
    colourChange: code,
    filamentChange: code.default('T{filament}'),
  }),
  dialect,
});
export type MachineSheet = z.infer<typeof machineSheet>;

/** The places at which a sheet has G-code of its own. */
export type CodePlace = keyof MachineSheet['code'];

/** How far a plate reaches along x and y, in the printer's own coordinates, mm. */
export function reachOf({ plate, origin }: Pick<MachineSheet, 'plate' | 'origin'>): {
  readonly x: readonly [number, number];
  readonly y: readonly [number, number];
} {
  const [widthMm, depthMm] = plateSize(plate);
  const along = (mm: number): [number, number] => (origin === 'middle' ? [-mm / 2, mm / 2] : [0, mm]);
  return { x: along(widthMm), y: along(depthMm) };
}

/** How wide and deep the smallest rectangle is that a plate fits into, mm. */
export function plateSize(plate: PlateShape): readonly [number, number] {
  return plate.shape === 'round' ? [plate.diameterMm, plate.diameterMm] : [plate.widthMm, plate.depthMm];
}

/** Whether a place lies on the plate, its edge included; in the printer's own coordinates, mm. */
export function isOnPlate(sheet: Pick<MachineSheet, 'plate' | 'origin'>, x: number, y: number): boolean {
  const reach = reachOf(sheet);
  const isWithin = ([low, high]: readonly [number, number], at: number) =>
    at >= low - ROUNDING_MM && at <= high + ROUNDING_MM;
  if (!isWithin(reach.x, x) || !isWithin(reach.y, y)) return false;
  if (sheet.plate.shape === 'rectangle') return true;
  const [middleX, middleY] = [reach.x, reach.y].map(([low, high]) => (low + high) / 2);
  return Math.hypot(x - middleX, y - middleY) <= sheet.plate.diameterMm / 2 + ROUNDING_MM;
}

/** G-code counts in thousandths of a millimetre. */
const ROUNDING_MM = 1e-3;
