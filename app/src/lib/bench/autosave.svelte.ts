import * as z from 'zod';
import { parseDesign, sameDesign, type Design } from '@kelbrin/core/design';

/** Where the latest edit is. */
export type SaveState = 'saved' | 'saving' | 'offline' | 'conflict';

/** What the server keeps now, when it is not what this tab's edits were made from. */
export interface Theirs {
  readonly revision: number;
  readonly design: Design;
}

/** Where edits go and where they are kept until they arrive; tests put others in their place. */
export interface SaveHost {
  put(body: { baseRevision: number; design: Design }): Promise<Response>;
  readonly storage: Pick<Storage, 'getItem' | 'setItem' | 'removeItem'>;
}

const PAUSE_MS = 500;
const RETRY_MS = 3_000;
/** How long an edit may wait to be kept, so that a drag does not have the browser write at every move of the hand. */
const KEEP_MS = 200;

const draftSchema = z.object({ baseRevision: z.number(), design: z.unknown() });
const savedSchema = z.object({ revision: z.number() });
const conflictSchema = z.object({ revision: z.number(), design: z.unknown() });

/**
 * Saves a project by itself, a moment after each pause in editing.
 *
 * Edits are first kept in this browser, so that neither a lost connection nor a closed tab loses them, and are removed
 * there once the server has them. The server takes a save only if it was made from the newest revision; otherwise both
 * states are held until the person chooses, and none is lost silently.
 */
export class Autosave {
  state = $state<SaveState>('saved');
  theirs = $state.raw<Theirs | undefined>();

  #base: number;
  #design: Design | undefined;
  #timer: ReturnType<typeof setTimeout> | undefined;
  #keepTimer: ReturnType<typeof setTimeout> | undefined;
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
  recover(server: Theirs): Design | undefined {
    const kept = this.#host.storage.getItem(this.#key);
    if (!kept) return undefined;
    const draft = draftSchema.safeParse(safeJson(kept));
    const parsed = draft.success ? parseDesign(draft.data.design) : undefined;
    if (!draft.success || !parsed?.ok || sameDesign(parsed.design, server.design)) {
      this.#host.storage.removeItem(this.#key);
      return undefined;
    }
    this.#design = parsed.design;
    if (draft.data.baseRevision === server.revision) {
      this.state = 'saving';
      this.#schedule(0);
    } else {
      this.state = 'conflict';
      this.theirs = server;
    }
    return parsed.design;
  }

  /** Notes an edit; it is saved after a pause. */
  changed(design: Design): void {
    this.#design = design;
    this.#keepTimer ??= setTimeout(() => this.keep(), KEEP_MS);
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

  /**
   * Hears of a state that the server has, as when a team-mate saved. It is handed back to be shown if it is newer and
   * nothing waits here to be saved; if something does, saving will find the other state and ask.
   */
  hear({ revision, design }: Theirs): Design | undefined {
    if (this.state !== 'saved' || this.#design !== undefined || revision <= this.#base) return undefined;
    this.#base = revision;
    return design;
  }

  /** Ends a conflict by saving this tab's state over the other. */
  async keepMine(): Promise<void> {
    if (!this.theirs) return;
    this.#base = this.theirs.revision;
    this.theirs = undefined;
    this.state = 'saving';
    this.keep();
    await this.flush();
  }

  /** Ends a conflict by going on from the other state, which is handed back. */
  takeTheirs(): Design | undefined {
    const taken = this.theirs;
    if (!taken) return undefined;
    this.#base = taken.revision;
    this.theirs = undefined;
    this.#letGo();
    return taken.design;
  }

  /** Keeps in this browser what has not reached the server yet, as when the page is about to go. */
  keep(): void {
    clearTimeout(this.#keepTimer);
    this.#keepTimer = undefined;
    if (this.#design === undefined) return;
    this.#host.storage.setItem(this.#key, JSON.stringify({ baseRevision: this.#base, design: this.#design }));
  }

  close(): void {
    this.keep();
    clearTimeout(this.#timer);
  }

  /** Forgets the edits, as the server has what is to be kept. */
  #letGo(): void {
    clearTimeout(this.#keepTimer);
    this.#design = this.#keepTimer = undefined;
    this.#host.storage.removeItem(this.#key);
    this.state = 'saved';
  }

  #schedule(afterMs: number): void {
    clearTimeout(this.#timer);
    this.#timer = setTimeout(() => void this.#save(), afterMs);
  }

  /** One save at a time: a second one waits for the first and then takes everything since. */
  async #save(): Promise<void> {
    while (this.#running) await this.#running;
    if (this.#design === undefined || this.state === 'conflict') return;
    this.#running = this.#send(this.#design).finally(() => (this.#running = undefined));
    await this.#running;
  }

  async #send(design: Design): Promise<void> {
    let response: Response;
    try {
      response = await this.#host.put({ baseRevision: this.#base, design });
    } catch {
      return this.#retry();
    }
    if (response.status === 409) {
      const { revision, design: theirs } = conflictSchema.parse(await response.json());
      const parsed = parseDesign(theirs);
      if (!parsed.ok) return this.#retry();
      // The answer to an earlier save of this very state may have been lost on its way.
      if (sameDesign(parsed.design, design)) return this.#arrived(design, revision);
      this.state = 'conflict';
      this.theirs = { revision, design: parsed.design };
      return;
    }
    if (!response.ok) return this.#retry();
    this.#arrived(design, savedSchema.parse(await response.json()).revision);
  }

  #arrived(design: Design, revision: number): void {
    this.#base = revision;
    if (this.#design === design) {
      this.#letGo();
    } else {
      this.keep();
      this.#schedule(PAUSE_MS);
    }
  }

  #retry(): void {
    this.state = 'offline';
    this.#schedule(RETRY_MS);
  }
}

function safeJson(words: string): unknown {
  try {
    return JSON.parse(words);
  } catch {
    return undefined;
  }
}
