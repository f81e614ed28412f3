import {
  removeMeasure,
  setMeasure,
  shareMeasure,
  unshareMeasure,
  withRecipe,
  type Design,
  type EditedDesign,
} from '@kelbrin/core/design';
import { addMeasure, type Measure, type Problem, type Recipe } from '@kelbrin/core/recipe';

/** The bench as far as its measures are concerned. */
interface MeasuringBench {
  readonly design: Design;
  readonly partId: string;
  readonly recipe: Recipe;
  problem: Problem | undefined;
  editDesign(design: Design, partId?: string, field?: string, gesture?: number): void;
}

/** The edits of the measures of the part that is shown; what cannot be is said and leaves them as they were. */
export class MeasureEdits {
  readonly #bench: MeasuringBench;

  constructor(bench: MeasuringBench) {
    this.#bench = bench;
  }

  add(): void {
    const { design, partId, recipe } = this.#bench;
    this.#bench.editDesign(withRecipe(design, partId, addMeasure(recipe)));
  }

  set(name: string, change: Partial<Measure>, gesture?: number): void {
    const { design, partId } = this.#bench;
    this.#try(setMeasure(design, partId, name, change), `measure ${name}`, gesture);
  }

  remove(name: string): void {
    this.#try(removeMeasure(this.#bench.design, this.#bench.partId, name));
  }

  /** Shares a measure with all parts, or ends that. */
  share(name: string, isShared: boolean): void {
    const change = isShared ? shareMeasure : unshareMeasure;
    this.#try(change(this.#bench.design, this.#bench.partId, name));
  }

  #try(edited: EditedDesign, field?: string, gesture?: number): void {
    if (edited.ok) this.#bench.editDesign(edited.design, this.#bench.partId, field, gesture);
    else this.#bench.problem = edited.problem;
  }
}
