/** Faces of a part that nothing is under. */
export interface HangingFaces {
  /** Triangles of its mesh. */
  readonly faces: readonly number[];
  /** Up to this height they have to be held; all of them if it is not said. */
  readonly toMm?: number;
}
