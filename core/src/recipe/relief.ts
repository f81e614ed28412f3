import type { Vec3 } from '../mesh/index.ts';

/** Letters, or a figure, that a step raises from a surface, sinks into it, or cuts through it. */
export interface Relief {
  /** The step, by its index in the recipe. */
  readonly step: number;
  readonly effect: 'raised' | 'sunk' | 'through';
  /** Letters must be whole; a figure may well run over an edge. */
  readonly isLettering: boolean;
  /** The way that the surface looks, of unit length. */
  readonly direction: Vec3;
  /** The middle of what the step made, for when nothing of it shows. */
  readonly middle: Vec3;
}
