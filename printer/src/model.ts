import * as z from 'zod';

const byMotor = z.object({ x: z.number(), y: z.number(), z: z.number(), filament: z.number() });

/** The part of a machine sheet that a printer of that model obeys, as the file that Kelbrin writes has it. */
const sheetFile = z.object({
  plate: z.union([
    z.object({ shape: z.literal('rectangle'), widthMm: z.number(), depthMm: z.number() }),
    z.object({ shape: z.literal('round'), diameterMm: z.number() }),
  ]),
  origin: z.enum(['frontLeft', 'middle']),
  heightMm: z.number(),
  heatsPlate: z.boolean(),
  hasChamber: z.boolean(),
  filaments: z.number().int().min(1),
  maxSpeedMmPerS: byMotor,
  maxAccelerationMmPerS2: byMotor,
  cornerDeviationMm: z.number(),
  maxNozzleC: z.number(),
  maxPlateC: z.number(),
  levels: z.boolean(),
  dialect: z.object({
    takesAccelerations: z.boolean(),
    takesCorners: z.boolean(),
    takesArcs: z.boolean(),
    retractsByItself: z.boolean(),
    fanFull: z.number(),
  }),
});

/** What one model of printer can do. */
export interface Model extends z.infer<typeof sheetFile> {
  /** Where its axes end, mm. */
  readonly reachMm: Readonly<Record<'x' | 'y' | 'z', readonly [number, number]>>;
  /** The radius of a round plate, mm. */
  readonly radiusMm: number | undefined;
}

/** The model that a machine sheet describes. Throws where the file is none. */
export function modelOf(file: unknown): Model {
  const sheet = sheetFile.parse(file);
  const { plate, origin, heightMm } = sheet;
  const [widthMm, depthMm] =
    plate.shape === 'round' ? [plate.diameterMm, plate.diameterMm] : [plate.widthMm, plate.depthMm];
  const along = (mm: number): [number, number] => (origin === 'middle' ? [-mm / 2, mm / 2] : [0, mm]);
  return {
    ...sheet,
    reachMm: { x: along(widthMm), y: along(depthMm), z: [0, heightMm] },
    radiusMm: plate.shape === 'round' ? plate.diameterMm / 2 : undefined,
  };
}

/** A printer that no sheet was given for. */
export const ordinaryModel: Model = modelOf({
  plate: { shape: 'rectangle', widthMm: 220, depthMm: 220 },
  origin: 'frontLeft',
  heightMm: 250,
  heatsPlate: true,
  hasChamber: false,
  filaments: 1,
  maxSpeedMmPerS: { x: 500, y: 500, z: 500, filament: 120 },
  maxAccelerationMmPerS2: { x: 20_000, y: 20_000, z: 20_000, filament: 20_000 },
  cornerDeviationMm: 0.02,
  maxNozzleC: 300,
  maxPlateC: 120,
  levels: false,
  dialect: {
    takesAccelerations: true,
    takesCorners: true,
    takesArcs: false,
    retractsByItself: false,
    fanFull: 255,
  },
});
