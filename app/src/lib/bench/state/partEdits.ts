import {
  addPart,
  choosePart,
  copyPart,
  removePart,
  renamePart,
  withFamily,
  withRecipe,
  type Design,
  type SizeTable,
} from '@kelbrin/core/design';
import type { Problem, Recipe } from '@kelbrin/core/recipe';

/** The bench as far as its parts are concerned. */
interface PartBench {
  readonly design: Design;
  readonly partId: string;
  problem: Problem | undefined;
  editDesign(design: Design, partId?: string): void;
}

/** The edits of a design that add, fill, name, delete or choose a part. */
export class PartEdits {
  readonly #bench: PartBench;

  constructor(bench: PartBench) {
    this.#bench = bench;
  }

  /** Adds a part, as a copy of the one that is shown unless its recipe is given, and shows it. */
  add(named?: { readonly name: string; readonly recipe: Recipe }): void {
    const added = named
      ? addPart(this.#bench.design, named.name, named.recipe)
      : copyPart(this.#bench.design, this.#bench.partId);
    if (!added.ok) this.#bench.problem = added.problem;
    else this.#bench.editDesign(added.design, added.partId);
  }

  /** Puts a whole recipe into the part that is shown, and calls it by a name. */
  fill(name: string, recipe: Recipe): void {
    const filled = withRecipe(this.#bench.design, this.#bench.partId, recipe);
    const named = renamePart(filled, this.#bench.partId, name);
    this.#bench.editDesign(named.ok ? named.design : filled);
  }

  /** Calls the part that is shown something else; what is wrong with a name is handed back. */
  rename(name: string): string | undefined {
    const renamed = renamePart(this.#bench.design, this.#bench.partId, name);
    if (!renamed.ok) return renamed.problem.message;
    this.#bench.editDesign(renamed.design);
    return undefined;
  }

  /** Deletes the part that is shown; its neighbour is shown then. */
  remove(): void {
    const { parts } = this.#bench.design;
    const at = parts.findIndex(({ id }) => id === this.#bench.partId);
    const removed = removePart(this.#bench.design, this.#bench.partId);
    if (removed.ok) this.#bench.editDesign(removed.design, (parts[at + 1] ?? parts[at - 1]).id);
  }

  /** Makes a part like the one that is shown of each row of sizes; what is wrong with them is handed back. */
  makeFamily(table: SizeTable): string | undefined {
    const made = withFamily(this.#bench.design, this.#bench.partId, table);
    if (!made.ok) return made.problem.message;
    this.#bench.editDesign(made.design);
    return undefined;
  }

  /** Says that the part that is shown is the one to hand in. */
  choose(): void {
    this.#bench.editDesign(choosePart(this.#bench.design, this.#bench.partId));
  }
}
