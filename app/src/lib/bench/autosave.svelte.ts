import * as z from 'zod';
import { parseRecipe, sameRecipe, type Recipe } from '@kelbrin/core/recipe';

/** Where the latest edit is. */
export type SaveState = 'saved' | 'saving' | 'offline' | 'conflict';

/** What the server keeps now, when it is not what this tab's edits were made from. */
export interface Theirs {
  readonly revision: number;
  readonly recipe: Recipe;
}

/** Where edits go and where they are kept until they arrive; tests put others in their place. */
export interface SaveHost {
  put(body: { baseRevision: number; recipe: Recipe }): Promise<Response>;
  readonly storage: Pick<Storage, 'getItem' | 'setItem' | 'removeItem'>;
}

const PAUSE_MS = 500;
const RETRY_MS = 3_000;

const draftSchema = z.object({ baseRevision: z.number(), recipe: z.unknown() });
const savedSchema = z.object({ revision: z.number() });
const conflictSchema = z.object({ revision: z.number(), recipe: z.unknown() });

/**
 * Saves a project by itself, a moment after each pause in editing.
 *
 * Every edit is first kept in this browser, so that neither a lost connection nor a closed tab loses it, and is removed
 * there once the server has it. The server takes a save only if it was made from the newest revision; otherwise both
 * states are held until the person chooses, and none is lost silently.
 */
export class Autosave {
  state = $state<SaveState>('saved');
  theirs = $state.raw<Theirs | undefined>();

  #base: number;
  #recipe: Recipe | undefined;
  #timer: ReturnType<typeof setTimeout> | undefined;
  #running: Promise<void> | undefined;
  readonly #key: string;
  readonly #host: SaveHost;

  constructor(projectId: string, revision: number, host: SaveHost) {
    this.#key = `kelbrin draft ${projectId}`;
    this.#base = revision;
    this.#host = host;
  }

  /** The revision that the server has and this tab knows of. */
  get revision(): number {
    return this.#base;
  }

  /**
   * Looks for edits that a former tab could not save. They are handed back to be shown; if the server has moved on
   * meanwhile, `theirs` is set and the person has to choose.
   */
  recover(server: Theirs): Recipe | undefined {
    const kept = this.#host.storage.getItem(this.#key);
    if (!kept) return undefined;
    const draft = draftSchema.safeParse(safeJson(kept));
    const parsed = draft.success ? parseRecipe(draft.data.recipe) : undefined;
    if (!draft.success || !parsed?.ok || sameRecipe(parsed.recipe, server.recipe)) {
      this.#host.storage.removeItem(this.#key);
      return undefined;
    }
    this.#recipe = parsed.recipe;
    if (draft.data.baseRevision === server.revision) {
      this.state = 'saving';
      this.#schedule(0);
    } else {
      this.state = 'conflict';
      this.theirs = server;
    }
    return parsed.recipe;
  }

  /** Notes an edit; it is saved after a pause. */
  changed(recipe: Recipe): void {
    this.#recipe = recipe;
    this.#keep();
    if (this.state === 'conflict') return;
    if (this.state !== 'offline') this.state = 'saving';
    this.#schedule(PAUSE_MS);
  }

  /** Saves now and waits for it; true when the server has everything. */
  async flush(): Promise<boolean> {
    clearTimeout(this.#timer);
    await this.#save();
    return this.state === 'saved';
  }

  /** Ends a conflict by saving this tab's state over the other. */
  async keepMine(): Promise<void> {
    if (!this.theirs) return;
    this.#base = this.theirs.revision;
    this.theirs = undefined;
    this.state = 'saving';
    this.#keep();
    await this.flush();
  }

  /** Ends a conflict by going on from the other state, which is handed back. */
  takeTheirs(): Recipe | undefined {
    const taken = this.theirs;
    if (!taken) return undefined;
    this.#base = taken.revision;
    this.#recipe = undefined;
    this.theirs = undefined;
    this.state = 'saved';
    this.#host.storage.removeItem(this.#key);
    return taken.recipe;
  }

  close(): void {
    clearTimeout(this.#timer);
  }

  #schedule(afterMs: number): void {
    clearTimeout(this.#timer);
    this.#timer = setTimeout(() => void this.#save(), afterMs);
  }

  /** One save at a time: a second one waits for the first and then takes everything since. */
  async #save(): Promise<void> {
    while (this.#running) await this.#running;
    if (this.#recipe === undefined || this.state === 'conflict') return;
    this.#running = this.#send(this.#recipe).finally(() => (this.#running = undefined));
    await this.#running;
  }

  async #send(recipe: Recipe): Promise<void> {
    let response: Response;
    try {
      response = await this.#host.put({ baseRevision: this.#base, recipe });
    } catch {
      return this.#retry();
    }
    if (response.status === 409) {
      const { revision, recipe: theirs } = conflictSchema.parse(await response.json());
      const parsed = parseRecipe(theirs);
      if (!parsed.ok) return this.#retry();
      // The answer to an earlier save of this very state may have been lost on its way.
      if (sameRecipe(parsed.recipe, recipe)) return this.#arrived(recipe, revision);
      this.state = 'conflict';
      this.theirs = { revision, recipe: parsed.recipe };
      return;
    }
    if (!response.ok) return this.#retry();
    this.#arrived(recipe, savedSchema.parse(await response.json()).revision);
  }

  #arrived(recipe: Recipe, revision: number): void {
    this.#base = revision;
    if (this.#recipe === recipe) {
      this.#recipe = undefined;
      this.#host.storage.removeItem(this.#key);
      this.state = 'saved';
    } else {
      this.#keep();
      this.#schedule(PAUSE_MS);
    }
  }

  #retry(): void {
    this.state = 'offline';
    this.#schedule(RETRY_MS);
  }

  #keep(): void {
    this.#host.storage.setItem(this.#key, JSON.stringify({ baseRevision: this.#base, recipe: this.#recipe }));
  }
}

function safeJson(words: string): unknown {
  try {
    return JSON.parse(words);
  } catch {
    return undefined;
  }
}
