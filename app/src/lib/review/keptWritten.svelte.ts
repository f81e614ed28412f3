import { isWritten, nothingWritten, type Written } from './written';

/** Where it is kept while the page is loaded again: the window's own storage, which ends with it. */
type Kept = Pick<Storage, 'getItem' | 'setItem'>;

/**
 * What a teacher has written on hand-ins and not sent yet. What is written on one stays with it while others are looked at,
 * and while the page is loaded again or left for another.
 */
export class KeptWritten {
  readonly #kept: Kept | undefined;
  readonly #key: string;
  #all = $state.raw<Readonly<Record<string, Written>>>({});

  /** @param kept undefined where pages are made that nobody has written on yet */
  constructor(kept: Kept | undefined, teacherId: string) {
    this.#kept = kept;
    this.#key = `kelbrin-review ${teacherId}`;
    const text = kept?.getItem(this.#key);
    if (text) this.#all = JSON.parse(text) as Record<string, Written>;
  }

  on(handInId: string): Written {
    return this.#all[handInId] ?? nothingWritten;
  }

  write(handInId: string, now: Written): void {
    this.#all = { ...this.#all, [handInId]: now };
    const some = Object.entries(this.#all).filter(([, written]) => isWritten(written));
    this.#kept?.setItem(this.#key, JSON.stringify(Object.fromEntries(some)));
  }

  /** Puts a remark that was not taken back into its field, before what was written there since. */
  giveBack(handInId: string, remark: string): void {
    const written = this.on(handInId);
    this.write(handInId, { ...written, remark: `${remark} ${written.remark}`.trim() });
  }
}
