import { facesToHold, type LimitsCard } from '@kelbrin/core/inspect';
import type { SolidMesh } from '@kelbrin/core/mesh';
import { slicePart, type SlicedPart } from '@kelbrin/core/plate';
import { settingsOf, type PrintChoice, type PrintSettings } from '@kelbrin/core/slice';
import type { Kernel } from '@kelbrin/core/solid';

/**
 * Slices a part of a plate with the supports that it was approved with, whatever the cards of the parts beside it say; or
 * with none.
 */
export function sliceHeldPart(
  kernel: Kernel,
  mesh: SolidMesh,
  settings: PrintSettings,
  choice: PrintChoice,
  heldBy: LimitsCard | undefined,
): SlicedPart {
  if (!heldBy) return slicePart(kernel, mesh, { ...settings, supports: null });
  const { supports } = settingsOf(heldBy, choice);
  return slicePart(kernel, mesh, { ...settings, supports }, facesToHold(mesh, heldBy));
}
