import { recipeOf, type Design } from '@kelbrin/core/design';
import type { Recipe } from '@kelbrin/core/recipe';

/** Draws a small picture of a part; none if it cannot be built. */
type Portray = (recipe: Recipe, portrayed: (png: Uint8Array<ArrayBuffer> | undefined) => void) => void;

/**
 * Small pictures of the parts of a project, drawn one after the other while nothing else is to be done. A part keeps its
 * last picture until there is another.
 */
export class Portraits {
  /** Where each picture is, by the part's id. */
  urls = $state.raw<ReadonlyMap<string, string>>(new Map());
  /** What each was drawn of. */
  readonly #drawn = new Map<string, string>();
  #isDrawing = $state(false);
  readonly #portray: Portray;

  constructor(portray: Portray) {
    this.#portray = portray;
  }

  /** Draws the first part whose picture is not of what it is now; of a part alone there need be none. */
  drawNext(design: Design): void {
    if (this.#isDrawing || design.parts.length < 2) return;
    const next = design.parts
      .map(({ id }) => ({ id, recipe: recipeOf(design, id) }))
      .map((part) => ({ ...part, words: JSON.stringify(part.recipe) }))
      .find(({ id, words }) => this.#drawn.get(id) !== words);
    if (!next) return;
    this.#isDrawing = true;
    this.#portray(next.recipe, (png) => {
      this.#isDrawing = false;
      this.#drawn.set(next.id, next.words);
      this.#show(next.id, png);
    });
  }

  close(): void {
    for (const url of this.urls.values()) URL.revokeObjectURL(url);
  }

  #show(partId: string, png: Uint8Array<ArrayBuffer> | undefined): void {
    const before = this.urls.get(partId);
    if (before !== undefined) URL.revokeObjectURL(before);
    const others = [...this.urls].filter(([id]) => id !== partId);
    this.urls = new Map(
      png
        ? [...others, [partId, URL.createObjectURL(new Blob([png], { type: 'image/png' }))] as const]
        : others,
    );
  }
}
