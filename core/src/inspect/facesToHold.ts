import type { HangingFaces, SolidMesh } from '../mesh/index.ts';
import type { LimitsCard } from './card/limits.ts';
import { Inspecting } from './inspecting.ts';
import type { SupportMark } from './supportMarks.ts';

/**
 * The faces of a part that have to be held while it is printed, since they lean out too far, begin in mid-air or span more
 * than a bridge may; as somebody marked them. Where the part is inspected as well, ask that {@link Inspecting}, so that they are found once.
 */
export function facesToHold(
  mesh: SolidMesh,
  limits: LimitsCard,
  supportMarks: readonly SupportMark[] = [],
): HangingFaces[] {
  return new Inspecting(mesh, limits, { supportMarks }).facesToHold();
}
