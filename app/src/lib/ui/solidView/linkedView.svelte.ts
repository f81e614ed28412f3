import type { Vec3 } from '@kelbrin/core/mesh';

/** Where a camera stands and what it looks at, mm. */
interface Standpoint {
  readonly eye: Vec3;
  readonly target: Vec3;
  /** How often a named view was asked for until then. */
  readonly turns: number;
  /** The view that was turned there. */
  readonly by: object;
}

/** Several views that turn together: what one is turned to, the others follow. */
export class LinkedView {
  standpoint = $state.raw<Standpoint>();
}
