/** What printing with a material needs. */
export interface Material {
  readonly nozzleC: number;
  readonly bedC: number;
  readonly gramsPerCm3: number;
}

const pla: Material = { nozzleC: 210, bedC: 60, gramsPerCm3: 1.24 };

/** Ordinary values of the common materials, by the name on the roll. */
const materials: ReadonlyMap<string, Material> = new Map([
  ['pla', pla],
  ['petg', { nozzleC: 240, bedC: 80, gramsPerCm3: 1.27 }],
  ['tpu', { nozzleC: 225, bedC: 50, gramsPerCm3: 1.21 }],
  ['abs', { nozzleC: 245, bedC: 100, gramsPerCm3: 1.04 }],
  ['asa', { nozzleC: 250, bedC: 100, gramsPerCm3: 1.07 }],
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
