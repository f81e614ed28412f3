import type { SolidMesh } from '../../src/mesh/index.ts';
import type { Truth } from '../truthTable.ts';

/** A part that was made by other means than the kernel, with what the checks must say of it. */
export interface WildPart {
  readonly name: string;
  make(): SolidMesh;
  readonly is: Readonly<Record<string, Truth>>;
  /** Checks whose figure moves by more than two per cent when the surface is cut up otherwise, each with the reason. */
  readonly straying?: Readonly<Record<string, string>>;
}

/** What every check of shape says of a part that has nothing wrong. */
export const sound = {
  mesh: ['pass', 0],
  bodies: ['pass'],
  wall: ['pass'],
  gap: ['pass'],
  hole: ['pass'],
  island: ['pass', 0],
  overhang: ['pass'],
  bridge: ['pass'],
  stability: ['pass'],
} as const satisfies WildPart['is'];
