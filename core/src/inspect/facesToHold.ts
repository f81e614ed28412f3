import { setDown, type SolidMesh } from '../mesh/index.ts';
import type { LimitsCard } from './card/limits.ts';
import { mayBeHeld } from './held.ts';
import { Inspecting } from './inspecting.ts';
import type { BriefRules } from './requirements/briefRules.ts';

/** Faces of a part that nothing is under. */
export interface FacesToHold {
  /** Triangles of its mesh. */
  readonly faces: readonly number[];
  /** Up to this height they have to be held; all of them if it is not said. */
  readonly toMm?: number;
}

/** What begins in mid-air stands by itself once it has grown so high, mm. */
const BEGINNING_MM = 1;

/**
 * The faces of a part that have to be held while it is printed, since they lean out too far, begin in mid-air or span more
 * than a bridge may.
 */
export function facesToHold(mesh: SolidMesh, limits: LimitsCard): FacesToHold[] {
  const inspecting = new Inspecting(setDown(mesh), limits);
  const failing = (id: 'overhang' | 'bridge' | 'island') =>
    inspecting.check(id).findings.filter(({ verdict }) => verdict === 'fail');
  return [
    ...[...failing('overhang'), ...failing('bridge')].map(({ triangles }) => ({ faces: triangles })),
    ...failing('island').map(({ triangles, measured }) => ({
      faces: triangles,
      toMm: measured + BEGINNING_MM,
    })),
  ];
}

/** The faces that supports hold, as far as card and brief let a part be held. */
export function heldFaces(mesh: SolidMesh, limits: LimitsCard, brief: BriefRules): FacesToHold[] {
  return mayBeHeld(limits, brief) ? facesToHold(mesh, limits) : [];
}
