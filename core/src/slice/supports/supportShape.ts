import type { Area } from '../../solid/index.ts';
import type { Region } from '../../plane/index.ts';
import { circleOf, type Stem } from './stem.ts';

/** Makes an area of outlines that may overlap. */
export type MakesArea = (outlines: Region) => Area;

/**
 * What supports cover in a layer: an area, and thin round branches beside it. Those are by far the most in most layers, and
 * a few numbers each, so they are made an area only where one is asked for.
 */
export class SupportShape {
  /** What is no stem. */
  readonly solid: Area | undefined;
  readonly stems: readonly Stem[];
  readonly #makesArea: MakesArea;
  #all: Area | undefined;

  constructor(makesArea: MakesArea, solid: Area | undefined, stems: readonly Stem[] = []) {
    this.#makesArea = makesArea;
    this.solid = solid;
    this.stems = stems;
  }

  /** The same with another area, or with other stems. */
  with({
    solid,
    stems,
  }: {
    readonly solid: Area | undefined;
    readonly stems: readonly Stem[];
  }): SupportShape {
    return new SupportShape(this.#makesArea, solid, stems);
  }

  isEmpty(): boolean {
    return this.solid === undefined && this.stems.length === 0;
  }

  /** All that is covered, which is not nothing. */
  area(): Area {
    if (this.stems.length === 0) return this.solid!;
    if (!this.#all) {
      const stems = this.#makesArea(this.stems.map((stem) => circleOf(stem)));
      this.#all = this.solid ? this.solid.with(stems) : stems;
    }
    return this.#all;
  }
}
