import type { HangingFaces, SolidMesh } from '../mesh/index.ts';
import type { LimitsCard } from './card/limits.ts';
import { Inspecting } from './inspecting.ts';

/**
 * The faces of a part that have to be held while it is printed, since they lean out too far, begin in mid-air or span more
 * than a bridge may. Where the part is inspected as well, ask that {@link Inspecting}, so that they are found once.
 */
export function facesToHold(mesh: SolidMesh, limits: LimitsCard): HangingFaces[] {
  return new Inspecting(mesh, limits).facesToHold();
}
