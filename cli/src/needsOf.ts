import type { LimitsCard, PrintNeeds } from '@kelbrin/core/inspect';
import type { SolidMesh } from '@kelbrin/core/mesh';
import { estimate, settingsFor, slice } from '@kelbrin/core/slice';
import { workshop } from './workshop.ts';

/** What printing a part takes at everyday settings. */
export async function needsOf(mesh: SolidMesh, limits: LimitsCard): Promise<PrintNeeds> {
  const settings = settingsFor(limits);
  const { seconds, grams } = estimate(slice((await workshop()).kernel, mesh, settings), settings);
  return { minutes: seconds / 60, grams };
}
