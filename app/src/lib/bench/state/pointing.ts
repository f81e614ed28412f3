import type { Vec3 } from '@kelbrin/core/mesh';
import { sideFacing, type Facing, type Landing } from '@kelbrin/core/recipe';
import type { ShownSolid } from '../worker/messages';

/** What was pointed at and what was added last, which say where the next step goes. */
export class Pointing {
  #at: { readonly stepId: string; readonly side?: Facing } | undefined;
  /** That a step is marked because it was just added says nothing of where the next one goes. */
  #added: string | undefined;

  /** A step was pointed at on the solid, at a place that looks in a direction. */
  picked(stepId: string | undefined, normal?: Vec3): void {
    this.#at = stepId === undefined ? undefined : { stepId, side: normal && sideFacing(normal) };
  }

  /** A step was added and is marked now. */
  added(stepId: string | undefined): void {
    this.#added = stepId;
    this.#at = undefined;
  }

  /** Where a step goes that is added while another is marked. */
  landing(marked: string | undefined, solid: ShownSolid | undefined): Landing {
    const isPicked = marked !== undefined && this.#at?.stepId === marked;
    return {
      marked: isPicked || marked !== this.#added ? marked : undefined,
      side: isPicked ? this.#at?.side : undefined,
      boxOf: (id) => solid?.steps.find(({ stepId }) => stepId === id)?.box,
    };
  }
}
