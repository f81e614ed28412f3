import { get, set } from 'idb-keyval';
import { parseRecipe, sameRecipe, type Recipe } from '@kelbrin/core/recipe';
import type { HistoryStates } from './history';

/** Where histories are kept; the browser's own database, or a stand-in for it in tests. */
export interface HistoryStore {
  get(key: string): Promise<unknown>;
  set(key: string, value: unknown): Promise<void>;
}

/** How long edits must pause before the history is kept, so that a drag is not kept at every step. */
const PAUSE_MS = 400;

/**
 * Keeps the undo history of a project in this browser, so that it outlasts a reload. It belongs to the recipe that it
 * was kept with: when the project was changed elsewhere since, it no longer leads there and is left alone.
 */
export class KeptHistory {
  #timer: ReturnType<typeof setTimeout> | undefined;
  #looked: Promise<unknown> = Promise.resolve();
  readonly #key: string;
  readonly #store: HistoryStore;

  constructor(projectId: string, store: HistoryStore = { get, set }) {
    this.#key = `kelbrin history ${projectId}`;
    this.#store = store;
  }

  /** The history that leads to a recipe, if one was kept; until it has been looked for, none is written over it. */
  recover(recipe: Recipe): Promise<HistoryStates<Recipe> | undefined> {
    const looking = this.#look(recipe);
    this.#looked = looking;
    return looking;
  }

  async #look(recipe: Recipe): Promise<HistoryStates<Recipe> | undefined> {
    // A browser that keeps nothing (a private window, say) has no history to give.
    const kept = (await this.#store.get(this.#key).catch(() => undefined)) as
      { current?: unknown; past?: unknown[]; future?: unknown[] } | undefined;
    const current = parseRecipe(kept?.current);
    if (!current.ok || !sameRecipe(current.recipe, recipe)) return undefined;
    return { past: recipesOf(kept?.past), future: recipesOf(kept?.future) };
  }

  /** Notes that the recipe is another one; what leads to it then is kept after a pause. */
  changed(current: Recipe, statesOf: () => HistoryStates<Recipe>): void {
    clearTimeout(this.#timer);
    this.#timer = setTimeout(async () => {
      await this.#looked;
      const { past, future } = statesOf();
      this.#store.set(this.#key, { current, past: [...past], future: [...future] }).catch(() => {});
    }, PAUSE_MS);
  }

  close(): void {
    clearTimeout(this.#timer);
  }
}

/** Older states may be of an older format; the nearest that cannot be read ends what can be gone back to. */
function recipesOf(states: unknown[] = []): Recipe[] {
  const read = states.map(parseRecipe);
  const lastBroken = read.findLastIndex(({ ok }) => !ok);
  return read.slice(lastBroken + 1).flatMap((each) => (each.ok ? each.recipe : []));
}
