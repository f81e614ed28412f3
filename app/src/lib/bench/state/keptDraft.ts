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

/** The draft of one project in this browser, so that neither a lost connection nor a closed tab loses an edit. */
export class KeptDraft {
  readonly #key: string;
  readonly #storage: DraftStorage;

  constructor(projectId: string, storage: DraftStorage) {
    this.#key = `kelbrin draft ${projectId}`;
    this.#storage = storage;
  }

  /** What a former tab could not save; what cannot be read is put aside, where no later edit is written over it. */
  read(): Draft | undefined {
    const words = this.#storage.getItem(this.#key);
    if (words === null) return undefined;
    const draft = draftSchema.safeParse(safeJson(words));
    const design = draft.success ? readDesign(draft.data.design) : undefined;
    if (!draft.success || !design) {
      this.#storage.setItem(`${this.#key} unread ${Date.now()}`, words);
      this.#storage.removeItem(this.#key);
      return undefined;
    }
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

  write({ base, sent, design }: Draft): void {
    const draft = { baseRevision: base.revision, base: base.design, sent: sent.slice(-SENT_KEPT), design };
    this.#storage.setItem(this.#key, JSON.stringify(draft));
  }

  remove(): void {
    this.#storage.removeItem(this.#key);
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
