import { facesToHold } from '@kelbrin/core/inspect';
import type { SolidMesh } from '@kelbrin/core/mesh';
import { slicePart, type SlicedPart } from '@kelbrin/core/plate';
import { settingsOf, type PrintChoice, type PrintSettings } from '@kelbrin/core/slice';
import type { Kernel } from '@kelbrin/core/solid';
import type { HeldBy } from './heldBy.ts';

/**
 * Slices a part of a plate with the supports that it was approved with, whatever the cards of the parts beside it say; or
 * with none.
 */
export function sliceHeldPart(
  kernel: Kernel,
  mesh: SolidMesh,
  settings: PrintSettings,
  choice: PrintChoice,
  heldBy: HeldBy | undefined,
): SlicedPart {
  if (!heldBy) return slicePart(kernel, mesh, { ...settings, supports: null });
  const { supports } = settingsOf(heldBy.limits, choice);
  return slicePart(kernel, mesh, { ...settings, supports }, facesToHold(mesh, heldBy.limits, heldBy.marks));
}
