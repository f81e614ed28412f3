import * as z from 'zod';
import { parseDesign, sameDesign, type Design } from '@kelbrin/core/design';

/** A state that was sent under a key, and whose answer has not come. */
export interface Sent {
  readonly key: string;
  readonly design: Design;
}

/** Edits that the server does not have yet, and what they were made from. */
export interface Draft {
  /** What the server had; its design is unknown in drafts of former days. */
  readonly base: { readonly revision: number; readonly design: Design | undefined };
  readonly sent: readonly Sent[];
  readonly design: Design;
}

/** Edits of a former tab that cannot be read here, word for word as they were kept. */
export interface Unread {
  readonly key: string;
  readonly words: string;
}

/** What a draft is kept in; the browser's own storage, or a stand-in for it in tests. */
export type DraftStorage = Pick<Storage, 'getItem' | 'setItem' | 'removeItem' | 'key' | 'length'>;

/** So many saves whose answers were lost are known again after a reload. */
const SENT_KEPT = 4;

const draftSchema = z.object({
  baseRevision: z.number(),
  design: z.unknown(),
  base: z.unknown().optional(),
  sent: z.array(z.object({ key: z.string(), design: z.unknown() })).optional(),
});

/** So many tabs with one project keep their drafts beside each other; more share the last place. */
const PLACES = 9;

/**
 * The draft of one project in this browser, so that neither a lost connection nor a closed tab loses an edit. Tabs with the
 * same project have places of their own: each writes where nothing is or what it wrote itself, and throws away that alone.
 */
export class KeptDraft {
  readonly #key: string;
  readonly #storage: DraftStorage;
  /** Where this tab's draft is, and what it has there. */
  #own: { readonly place: string; readonly words: string } | undefined;

  constructor(projectId: string, storage: DraftStorage) {
    this.#key = `kelbrin draft ${projectId}`;
    this.#storage = storage;
  }

  /**
   * What a former tab could not save, which is this tab's from now on; what cannot be read is put aside, where no later edit
   * is written over it.
   */
  read(): Draft | undefined {
    for (const [i, place] of this.#places().entries()) {
      const words = this.#storage.getItem(place);
      if (words === null) continue;
      const draft = readDraft(words);
      if (draft) {
        this.#own = { place, words };
        return draft;
      }
      this.#storage.setItem(`${this.#key} unread ${Date.now()} ${i}`, words);
      this.#storage.removeItem(place);
    }
    return undefined;
  }

  write({ base, sent, design }: Draft): void {
    const draft = { baseRevision: base.revision, base: base.design, sent: sent.slice(-SENT_KEPT), design };
    const words = JSON.stringify(draft);
    const places = this.#places();
    const free = () => places.find((each) => this.#storage.getItem(each) === null);
    const place = this.#has()?.place ?? free() ?? places[PLACES - 1];
    this.#storage.setItem(place, words);
    // Where the storage is full this tab still has what it wrote before.
    this.#own = { place, words };
  }

  /** Throws away what this tab has kept; another's stays. */
  remove(): void {
    const own = this.#has();
    if (own) this.#storage.removeItem(own.place);
    this.#own = undefined;
  }

  /** Where this tab's draft is, as long as no other tab has written there or thrown it away. */
  #has() {
    return this.#own && this.#storage.getItem(this.#own.place) === this.#own.words ? this.#own : undefined;
  }

  #places(): string[] {
    return Array.from({ length: PLACES }, (_, i) => (i === 0 ? this.#key : `${this.#key} ${i + 1}`));
  }

  /** All that was put aside. */
  unread(): Unread[] {
    const keys = Array.from({ length: this.#storage.length }, (_, i) => this.#storage.key(i) ?? '');
    return keys
      .filter((key) => key.startsWith(`${this.#key} unread`))
      .map((key) => ({ key, words: this.#storage.getItem(key) ?? '' }));
  }

  /** Throws away something that was put aside. */
  forget({ key }: Unread): void {
    this.#storage.removeItem(key);
  }
}

function readDraft(words: string): Draft | undefined {
  const draft = draftSchema.safeParse(safeJson(words));
  const design = draft.success ? readDesign(draft.data.design) : undefined;
  if (!draft.success || !design) return undefined;
  const { baseRevision, base, sent = [] } = draft.data;
  const read = sent.flatMap((each): Sent[] => {
    const of = readDesign(each.design);
    return of ? [{ key: each.key, design: of }] : [];
  });
  const last = read.at(-1);
  return {
    base: { revision: baseRevision, design: readDesign(base) },
    sent: read,
    // What was sent already is the same save, should two tabs send it.
    design: last && sameDesign(last.design, design) ? last.design : design,
  };
}

function readDesign(data: unknown): Design | undefined {
  const parsed = parseDesign(data);
  return parsed.ok ? parsed.design : undefined;
}

function safeJson(words: string): unknown {
  try {
    return JSON.parse(words);
  } catch {
    return undefined;
  }
}
