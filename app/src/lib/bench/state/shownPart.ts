import type { Remedy } from '@kelbrin/core/advise';
import type { Progress, ThicknessMap } from '@kelbrin/core/inspect';
import type { Recipe } from '@kelbrin/core/recipe';
import type { Estimate, SupportNotes } from '@kelbrin/core/slice';
import type { SectionView } from '@kelbrin/core/solid';
import type { PrintedLayer } from '../../ui/printedLines/shownLayer';
import type { ShownSolid } from '../worker/messages';

/**
 * A part at one state of its recipe, with all that was found out about that very state. It is replaced whole, so that
 * solid, inspection, estimate, section, thickness and remedies can never be of different things.
 */
export interface ShownPart {
  readonly partId: string;
  readonly recipe: Recipe;
  readonly solid: ShownSolid;
  /** What printing it takes; undefined until it was sliced. */
  readonly estimate?: Estimate;
  /** What has to be known of its supports, if it has some. */
  readonly supports?: SupportNotes;
  readonly supportLines?: Float32Array;
  /** What the state before took, which is shown as such until this one's is known. */
  readonly estimateBefore?: Estimate;
  /** How far its inspection has come, where that takes a while. */
  readonly progress?: Progress;
  /** The section where it is cut, and the layer that is printed there. */
  readonly section?: SectionView;
  readonly layer?: PrintedLayer;
  readonly thickness?: ThicknessMap;
  /** Changes that mend the finding that is looked at, as far as they were found. */
  readonly remedies?: { readonly found: readonly Remedy[]; readonly isSearching: boolean };
}
