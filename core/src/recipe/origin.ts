import type { ColourBand } from '../colours/index.ts';
import type { Relief } from './relief.ts';

/** What a step writes, as it comes out on the finished part. */
export interface Writing {
  /** The step, by its index in the recipe. */
  readonly step: number;
  /** The height of a capital letter. */
  readonly capMm: number;
  /** Whether it is only what stands there until somebody writes words. */
  readonly isPlaceholder: boolean;
}

/** A band of colour as a recipe wishes it. */
export interface WishedBand extends ColourBand {
  /** The steps that are of this colour too where it was meant for another one, by their indices in the recipe. */
  readonly beside?: readonly number[];
}

/** What a recipe tells of its finished part that the bare surface does not. */
export interface PartOrigin {
  /** The ids of the recipe's steps in order; triangles know their steps by the places in this list. */
  readonly stepIds: readonly string[];
  /** What steps raised from a surface or sank into it. */
  readonly reliefs: readonly Relief[];
  readonly writings: readonly Writing[];
  /** The colours that the part is wished in, from the plate up; none where any will do. */
  readonly colours: readonly WishedBand[];
}
