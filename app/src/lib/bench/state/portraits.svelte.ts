import { SvelteMap } from 'svelte/reactivity';
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
  readonly urls = new SvelteMap<string, string>();
  /** What each was drawn of. */
  readonly #drawn: Record<string, string> = {};
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
      .find(({ id, words }) => this.#drawn[id] !== words);
    if (!next) return;
    this.#isDrawing = true;
    this.#portray(next.recipe, (png) => {
      this.#isDrawing = false;
      this.#drawn[next.id] = next.words;
      this.#show(next.id, png);
    });
  }

  close(): void {
    for (const url of this.urls.values()) URL.revokeObjectURL(url);
  }

  #show(partId: string, png: Uint8Array<ArrayBuffer> | undefined): void {
    const before = this.urls.get(partId);
    if (before !== undefined) URL.revokeObjectURL(before);
    if (png) this.urls.set(partId, URL.createObjectURL(new Blob([png], { type: 'image/png' })));
    else this.urls.delete(partId);
  }
}
