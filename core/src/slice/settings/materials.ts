/** What printing with a material needs. */
export interface Material {
  readonly nozzleC: number;
  readonly bedC: number;
  readonly gramsPerCm3: number;
  /** How hard the fan blows, 0 to 1: cooling makes sharp corners of PLA and lets ABS and ASA split and curl. */
  readonly fanShare: number;
  /** How many layers are printed without the fan, so that they hold on to the plate. */
  readonly stillLayers: number;
}

const pla: Material = { nozzleC: 210, bedC: 60, gramsPerCm3: 1.24, fanShare: 1, stillLayers: 2 };

/** Ordinary values of the common materials, by the name on the roll. */
const materials: ReadonlyMap<string, Material> = new Map([
  ['pla', pla],
  ['petg', { nozzleC: 240, bedC: 80, gramsPerCm3: 1.27, fanShare: 0.4, stillLayers: 3 }],
  ['tpu', { nozzleC: 225, bedC: 50, gramsPerCm3: 1.21, fanShare: 0.6, stillLayers: 2 }],
  ['abs', { nozzleC: 245, bedC: 100, gramsPerCm3: 1.04, fanShare: 0, stillLayers: 0 }],
  ['asa', { nozzleC: 250, bedC: 100, gramsPerCm3: 1.07, fanShare: 0.1, stillLayers: 4 }],
]);

/** What a material needs; one that is not known is treated like PLA, the commonest and coolest. */
export function materialNamed(name: string): Material {
  return materials.get(keyOf(name)) ?? pla;
}

/** Whether two names are of the same material: people write them large and small. */
export function sameMaterial(a: string, b: string): boolean {
  return keyOf(a) === keyOf(b);
}

function keyOf(name: string): string {
  return name.trim().toLowerCase();
}
