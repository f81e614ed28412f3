import { get, set } from 'idb-keyval';
import { parseDesign, sameDesign, type Design } from '@kelbrin/core/design';
import type { HistoryStates } from './history.svelte';

/** Where histories are kept; the browser's own database, or a stand-in for it in tests. */
export interface HistoryStore {
  get(key: string): Promise<unknown>;
  set(key: string, value: unknown): Promise<void>;
}

/** How long edits must pause before the history is kept, so that a drag is not kept at every step. */
const PAUSE_MS = 400;

/**
 * Keeps the undo history of a project in this browser, so that it outlasts a reload. It belongs to the state that it
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

  /** The history that leads to a state, if one was kept; until it has been looked for, none is written over it. */
  recover(design: Design): Promise<HistoryStates<Design> | undefined> {
    const looking = this.#look(design);
    this.#looked = looking;
    return looking;
  }

  async #look(design: Design): Promise<HistoryStates<Design> | undefined> {
    // A browser that keeps nothing (a private window, say) has no history to give.
    const kept = (await this.#store.get(this.#key).catch(() => undefined)) as
      | { current?: unknown; past?: unknown[]; future?: unknown[] }
      | undefined;
    const current = parseDesign(kept?.current);
    if (!current.ok || !sameDesign(current.design, design)) return undefined;
    return { past: designsOf(kept?.past), future: designsOf(kept?.future) };
  }

  /** Notes that the project is in another state; what leads to it then is kept after a pause. */
  changed(current: Design, statesOf: () => HistoryStates<Design>): void {
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
function designsOf(states: unknown[] = []): Design[] {
  const read = states.map(parseDesign);
  const lastBroken = read.findLastIndex(({ ok }) => !ok);
  return read.slice(lastBroken + 1).flatMap((each) => (each.ok ? each.design : []));
}
