import * as z from 'zod';
import {
  mergeDesigns,
  parseDesign,
  sameDesign,
  type Design,
  type DesignChanges,
  type Merge,
} from '@kelbrin/core/design';
import { KeptDraft, type Draft, type Sent, type Unread } from './keptDraft.ts';
import type { SaveHost, SaveState, TakenIn, Theirs } from './saving.ts';

const PAUSE_MS = 500;
const RETRY_MS = 3_000;
/** A server that has no moment is asked again after pauses that grow up to this. */
const LONGEST_RETRY_MS = 60_000;
/** How long an edit may wait to be kept, so that a drag does not have the browser write at every move of the hand. */
const KEEP_MS = 200;

const savedSchema = z.object({ revision: z.number() });
const conflictSchema = z.object({
  revision: z.number(),
  design: z.unknown(),
  saves: z.array(z.string()).default([]),
});
const refusalSchema = z.object({ message: z.string() });

/**
 * Saves a project by itself, a moment after each pause in editing.
 *
 * Edits are first kept in this browser, so that neither a lost connection nor a closed tab loses them, and are removed
 * there once the server has them. The server takes a save only if it was made from the newest revision. Otherwise the work
 * of both is merged, from what both began from, and saved; where both changed the very same thing, the person chooses.
 */
export class Autosave {
  state = $state<SaveState>('saved');
  /** Why the server refuses the latest edit, where it does. */
  refusal = $state<string>();
  /** What former tabs left that cannot be read here. It stays until somebody throws it away. */
  unread = $state.raw<readonly Unread[]>([]);
  theirs = $state.raw<Theirs | undefined>();
  /** What both changed, from their value to the one here; none where only whole states can be chosen from. */
  clashes = $state.raw<readonly DesignChanges[]>([]);

  /** What the server had when it was last heard of, which the edits here were made from; its design may not be known. */
  #base: Draft['base'];
  #design: Design | undefined;
  #sent: readonly Sent[] = [];
  /** What was heard of while edits waited here. */
  #heard: Theirs | undefined;
  #timer: ReturnType<typeof setTimeout> | undefined;
  #keepTimer: ReturnType<typeof setTimeout> | undefined;
  #running: Promise<void> | undefined;
  #retryMs = RETRY_MS;
  readonly #kept: KeptDraft;
  readonly #host: SaveHost;

  constructor(projectId: string, server: Theirs, host: SaveHost) {
    this.#kept = new KeptDraft(projectId, host.storage);
    this.#base = server;
    this.#host = host;
  }

  /** The revision that the server has and this tab knows of. */
  get revision(): number {
    return this.#base.revision;
  }

  /**
   * Looks for edits that a former tab could not save. They are handed back to be shown, and saved; if the server has moved
   * on meanwhile, saving merges them.
   */
  recover(server: Theirs): Design | undefined {
    const draft = this.#kept.read();
    this.unread = this.#kept.unread();
    if (!draft) return undefined;
    if (sameDesign(draft.design, server.design)) {
      this.#kept.remove();
      return undefined;
    }
    this.#design = draft.design;
    this.#sent = draft.sent;
    if (draft.base.revision !== server.revision) this.#base = draft.base;
    this.state = 'saving';
    // A moment later, when the history of these edits is there too.
    this.#schedule(PAUSE_MS);
    return draft.design;
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
    this.#kept.forget(unread);
    this.unread = this.#kept.unread();
  }

  /** Saves now and waits for it; true when the server has everything. */
  async flush(): Promise<boolean> {
    clearTimeout(this.#timer);
    await this.#save();
    return this.state === 'saved';
  }

  /**
   * Hears of a state that the server has, as when a team-mate saved. It is shown if it is newer and nothing waits here to be
   * saved; if something does, saving finds the other state and merges both.
   */
  hear(theirs: Theirs): void {
    if (this.state === 'conflict') {
      if (theirs.revision > this.theirs!.revision) this.#meet(theirs);
    } else if (this.#design !== undefined || this.#running) this.#heard = theirs;
    else if (theirs.revision > this.#base.revision) {
      this.#base = theirs;
      this.#host.takeIn({ design: theirs.design, renamed: (state) => state });
    }
  }

  /** Ends a conflict with this tab's word where both changed the same thing. */
  async keepMine(): Promise<void> {
    this.#end('withMine');
    await this.flush();
  }

  /** Ends a conflict with the other one's word where both changed the same thing. */
  async takeTheirs(): Promise<void> {
    this.#end('design');
    await this.flush();
  }

  #end(chosen: 'withMine' | 'design'): void {
    const [theirs, mine] = [this.theirs, this.#design];
    if (!theirs || !mine) return;
    const merge = this.#merged(mine, theirs) ?? {
      withMine: mine,
      design: theirs.design,
      renamed: (state: Design) => state,
    };
    const instead = merge[chosen === 'withMine' ? 'design' : 'withMine'];
    this.#take(theirs, { design: merge[chosen], renamed: merge.renamed, instead });
  }

  #merged(mine: Design, theirs: Theirs): Merge | undefined {
    return this.#base.design && mergeDesigns(this.#base.design, mine, theirs.design);
  }

  /** Merges what waits here with what the server has; asks where both changed the same thing. */
  #meet(theirs: Theirs): void {
    const mine = this.#design!;
    const merge = this.#merged(mine, theirs);
    if (merge && merge.clashes.length === 0) return this.#take(theirs, merge);
    this.state = 'conflict';
    this.theirs = theirs;
    this.clashes = merge?.clashes ?? [];
  }

  /** Goes on from a state in which the work of both is. */
  #take(theirs: Theirs, taken: TakenIn): void {
    this.#base = theirs;
    this.theirs = this.#heard = undefined;
    this.clashes = [];
    this.#host.takeIn(taken);
    if (sameDesign(taken.design, theirs.design)) return this.#letGo();
    this.#design = taken.design;
    this.state = 'saving';
    this.keep();
    this.#schedule(0);
  }

  /** Keeps in this browser what has not reached the server yet, as when the page is about to go. */
  keep(): void {
    clearTimeout(this.#keepTimer);
    this.#keepTimer = undefined;
    if (this.#design === undefined) return;
    this.#kept.write({ base: this.#base, sent: this.#sent, design: this.#design });
  }

  close(): void {
    this.keep();
    clearTimeout(this.#timer);
  }

  /** Forgets the edits, as the server has what is to be kept. */
  #letGo(): void {
    clearTimeout(this.#keepTimer);
    this.#design = this.#keepTimer = undefined;
    this.#kept.remove();
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
      response = await this.#host.put({
        baseRevision: this.#base.revision,
        key: this.#keyOf(design),
        design,
      });
    } catch {
      return this.#retry('offline', RETRY_MS);
    }
    const answer: unknown = await response.json().catch(() => undefined);
    if (response.status === 409) {
      const conflict = conflictSchema.safeParse(answer);
      const parsed = conflict.success ? parseDesign(conflict.data.design) : undefined;
      if (!conflict.success || !parsed?.ok) return this.#refused(undefined);
      const { revision, saves } = conflict.data;
      // The answer to an earlier save may have been lost on its way: then that is what both began from.
      const arrived = this.#sent.findLast(({ key }) => saves.includes(key));
      if (arrived) this.#base = { ...this.#base, design: arrived.design };
      this.#sent = [];
      return this.#meet({ revision, design: parsed.design });
    }
    if (response.status === 401) return this.#retry('signedOut', RETRY_MS);
    if (response.status === 429 || response.status >= 500) return this.#retryLater();
    const saved = savedSchema.safeParse(answer);
    if (response.ok && saved.success) return this.#arrived(design, saved.data.revision);
    this.#refused(refusalSchema.safeParse(answer).data?.message);
  }

  /** The key under which a state is sent, however often that is. */
  #keyOf(design: Design): string {
    const last = this.#sent.at(-1);
    if (last?.design === design) return last.key;
    const key = crypto.randomUUID();
    this.#sent = [...this.#sent, { key, design }];
    return key;
  }

  #arrived(design: Design, revision: number): void {
    this.#base = { revision, design };
    this.#sent = [];
    if (this.#design === design) {
      this.#letGo();
      const heard = this.#heard;
      this.#heard = undefined;
      // Once this save is told to be over.
      if (heard) queueMicrotask(() => this.hear(heard));
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
