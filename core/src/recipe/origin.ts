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

/** What a recipe tells of its finished part that the bare surface does not. */
export interface PartOrigin {
  /** The ids of the recipe's steps in order; triangles know their steps by the places in this list. */
  readonly stepIds: readonly string[];
  /** What steps raised from a surface or sank into it. */
  readonly reliefs: readonly Relief[];
  readonly writings: readonly Writing[];
}
