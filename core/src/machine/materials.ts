import * as z from 'zod';

const speedMmPerS = z.number().min(1).max(300);
const share = z.number().min(0).max(1);

/** What printing with a material needs. */
export const material = z.strictObject({
  nozzleC: z.number().min(150).max(500),
  bedC: z.number().min(0).max(200),
  /** How warm the air around it is best kept, where a printer has a heated chamber; 0 where that does not matter. */
  chamberC: z.number().min(0).max(120).default(0),
  gramsPerCm3: z.number().min(0.5).max(10),
  /** How hard the fan blows, 0 to 1: cooling makes sharp corners of PLA and lets ABS and ASA split and curl. */
  fanShare: share,
  /** The same over open air, where plastic has to be hard at once. */
  spanFanShare: share,
  /** How many layers are printed without the fan, so that they hold on to the plate. */
  stillLayers: z.number().int().min(0).max(20),
  /**
   * How fast it may be printed: some plastics stick to the nozzle and are torn along, and soft ones buckle before it when they
   * are pushed fast.
   */
  firstLayerMmPerS: speedMmPerS,
  wallMmPerS: speedMmPerS,
  infillMmPerS: speedMmPerS,
  spanMmPerS: speedMmPerS,
  /** How much is pushed, as a share of what the lines are of: filament may be a little thinner than its roll says. */
  flow: z.number().min(0.8).max(1.2),
  /** How far and how fast it is drawn back before a travel. */
  retractMm: z.number().min(0).max(20),
  retractMmPerS: z.number().min(1).max(200),
});
export type Material = z.infer<typeof material>;

/** Stiff and thin when molten: nothing keeps it from being printed as fast as ordinary printers move well. */
const easy = {
  firstLayerMmPerS: 20,
  wallMmPerS: 40,
  infillMmPerS: 60,
  spanMmPerS: 25,
  flow: 1,
  retractMm: 0.8,
  retractMmPerS: 35,
};
const pla: Material = {
  nozzleC: 210,
  bedC: 60,
  chamberC: 0,
  gramsPerCm3: 1.24,
  fanShare: 1,
  spanFanShare: 1,
  stillLayers: 2,
  ...easy,
};
/** Sticks to the nozzle. */
const petg: Material = {
  nozzleC: 240,
  bedC: 80,
  chamberC: 0,
  gramsPerCm3: 1.27,
  fanShare: 0.4,
  spanFanShare: 0.7,
  stillLayers: 3,
  firstLayerMmPerS: 15,
  wallMmPerS: 25,
  infillMmPerS: 35,
  spanMmPerS: 20,
  flow: 1,
  retractMm: 1,
  retractMmPerS: 25,
};
/** Bends: it is drawn back little and slowly. */
const tpu: Material = {
  nozzleC: 225,
  bedC: 50,
  chamberC: 0,
  gramsPerCm3: 1.21,
  fanShare: 0.6,
  spanFanShare: 0.8,
  stillLayers: 2,
  firstLayerMmPerS: 12,
  wallMmPerS: 18,
  infillMmPerS: 22,
  spanMmPerS: 15,
  flow: 1,
  retractMm: 1.2,
  retractMmPerS: 20,
};

/** Ordinary values of the common materials, by the name on the roll. */
const materials: ReadonlyMap<string, Material> = new Map([
  ['pla', pla],
  ['petg', petg],
  ['tpu', tpu],
  [
    'abs',
    {
      ...easy,
      nozzleC: 245,
      bedC: 100,
      chamberC: 50,
      gramsPerCm3: 1.04,
      fanShare: 0,
      spanFanShare: 0.2,
      stillLayers: 0,
    },
  ],
  [
    'asa',
    {
      ...easy,
      nozzleC: 250,
      bedC: 100,
      chamberC: 50,
      gramsPerCm3: 1.07,
      fanShare: 0.1,
      spanFanShare: 0.3,
      stillLayers: 4,
    },
  ],
]);

/** What a material needs; one that is not known is treated like PLA, the commonest and coolest. */
export function materialNamed(name: string): Material {
  return materials.get(materialKey(name)) ?? pla;
}

/** Whether two names are of the same material: people write them large and small. */
export function sameMaterial(a: string, b: string): boolean {
  return materialKey(a) === materialKey(b);
}

/** What two ways to write a material have in common. */
export function materialKey(name: string): string {
  return name.trim().toLowerCase();
}
