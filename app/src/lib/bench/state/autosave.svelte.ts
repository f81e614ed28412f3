import * as z from 'zod';
import { parseDesign, sameDesign, type Design } from '@kelbrin/core/design';

/**
 * Where the latest edit is. While it is not `saved` it is kept in this browser: until there is a connection, until somebody
 * is signed in, until the server has a moment, until a person has chosen between two states, or for good, where the server
 * refuses it.
 */
export type SaveState = 'saved' | 'saving' | 'offline' | 'signedOut' | 'busy' | 'conflict' | 'refused';

/** Edits of a former tab that cannot be read here, word for word as they were kept. */
export interface Unread {
  readonly key: string;
  readonly words: string;
}

/** What the server keeps now, when it is not what this tab's edits were made from. */
export interface Theirs {
  readonly revision: number;
  readonly design: Design;
}

/** Where edits go and where they are kept until they arrive; tests put others in their place. */
export interface SaveHost {
  put(body: { baseRevision: number; design: Design }): Promise<Response>;
  readonly storage: Pick<Storage, 'getItem' | 'setItem' | 'removeItem' | 'key' | 'length'>;
}

const PAUSE_MS = 500;
const RETRY_MS = 3_000;
/** A server that has no moment is asked again after pauses that grow up to this. */
const LONGEST_RETRY_MS = 60_000;
/** How long an edit may wait to be kept, so that a drag does not have the browser write at every move of the hand. */
const KEEP_MS = 200;

const draftSchema = z.object({ baseRevision: z.number(), design: z.unknown() });
const savedSchema = z.object({ revision: z.number() });
const conflictSchema = z.object({ revision: z.number(), design: z.unknown() });
const refusalSchema = z.object({ message: z.string() });

/**
 * Saves a project by itself, a moment after each pause in editing.
 *
 * Edits are first kept in this browser, so that neither a lost connection nor a closed tab loses them, and are removed
 * there once the server has them. The server takes a save only if it was made from the newest revision; otherwise both
 * states are held until the person chooses, and none is lost silently.
 */
export class Autosave {
  state = $state<SaveState>('saved');
  /** Why the server refuses the latest edit, where it does. */
  refusal = $state<string>();
  /** What former tabs left that cannot be read here. It stays until somebody throws it away. */
  unread = $state.raw<readonly Unread[]>([]);
  theirs = $state.raw<Theirs | undefined>();

  #base: number;
  #design: Design | undefined;
  #timer: ReturnType<typeof setTimeout> | undefined;
  #keepTimer: ReturnType<typeof setTimeout> | undefined;
  #running: Promise<void> | undefined;
  #retryMs = RETRY_MS;
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
    const { storage } = this.#host;
    const kept = storage.getItem(this.#key);
    const draft = kept === null ? undefined : draftSchema.safeParse(safeJson(kept));
    const parsed = draft?.success ? parseDesign(draft.data.design) : undefined;
    if (kept !== null && !parsed?.ok) {
      // Put aside, where no later edit is written over it.
      storage.setItem(`${this.#key} unread ${Date.now()}`, kept);
      storage.removeItem(this.#key);
    }
    this.unread = this.#allUnread();
    if (!draft?.success || !parsed?.ok) return undefined;
    if (sameDesign(parsed.design, server.design)) {
      storage.removeItem(this.#key);
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
    // Another state may be taken where the one before was refused.
    if (this.state === 'saved' || this.state === 'refused') this.state = 'saving';
    this.#schedule(PAUSE_MS);
  }

  /** Throws away what a former tab left and nobody can read here. */
  forget(unread: Unread): void {
    this.#host.storage.removeItem(unread.key);
    this.unread = this.#allUnread();
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

  #allUnread(): Unread[] {
    const { storage } = this.#host;
    const keys = Array.from({ length: storage.length }, (_, i) => storage.key(i) ?? '');
    return keys
      .filter((key) => key.startsWith(`${this.#key} unread`))
      .map((key) => ({ key, words: storage.getItem(key) ?? '' }));
  }

  /** Forgets the edits, as the server has what is to be kept. */
  #letGo(): void {
    clearTimeout(this.#keepTimer);
    this.#design = this.#keepTimer = undefined;
    this.#host.storage.removeItem(this.#key);
    this.state = 'saved';
    this.refusal = undefined;
    this.#retryMs = RETRY_MS;
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
      return this.#retry('offline', RETRY_MS);
    }
    const answer: unknown = await response.json().catch(() => undefined);
    if (response.status === 409) {
      const conflict = conflictSchema.safeParse(answer);
      const parsed = conflict.success ? parseDesign(conflict.data.design) : undefined;
      if (!conflict.success || !parsed?.ok) return this.#refused(undefined);
      const { revision } = conflict.data;
      // The answer to an earlier save of this very state may have been lost on its way.
      if (sameDesign(parsed.design, design)) return this.#arrived(design, revision);
      this.state = 'conflict';
      this.theirs = { revision, design: parsed.design };
      return;
    }
    if (response.status === 401) return this.#retry('signedOut', RETRY_MS);
    if (response.status === 429 || response.status >= 500) return this.#retryLater();
    const saved = savedSchema.safeParse(answer);
    if (response.ok && saved.success) return this.#arrived(design, saved.data.revision);
    this.#refused(refusalSchema.safeParse(answer).data?.message);
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

  #retry(state: 'offline' | 'signedOut' | 'busy', afterMs: number): void {
    this.state = state;
    this.keep();
    this.#schedule(afterMs);
  }

  #retryLater(): void {
    this.#retry('busy', this.#retryMs);
    this.#retryMs = Math.min(2 * this.#retryMs, LONGEST_RETRY_MS);
  }

  /** The server will not take this state however often it is sent; it stays here until there is another. */
  #refused(why: string | undefined): void {
    this.state = 'refused';
    this.refusal = why;
    this.keep();
  }
}

function safeJson(words: string): unknown {
  try {
    return JSON.parse(words);
  } catch {
    return undefined;
  }
}
