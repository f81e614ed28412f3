import type { Manifold } from 'manifold-3d';

/**
 * Remembers what was made from what, from one evaluation to the next, so that a step whose own numbers did not change
 * is not drawn again because an earlier one did. What an evaluation did not ask for is forgotten after it, and the
 * kernel's memory given back.
 */
export class Memo {
  readonly #bodies = new Map<string, { body: Manifold; used: boolean }>();
  readonly #data = new Map<string, { value: unknown; used: boolean }>();

  /** The body made from `from` by `make`, which must hand back one that nothing else will delete. */
  body(from: readonly unknown[], make: () => Manifold): Manifold {
    const key = JSON.stringify(from);
    let entry = this.#bodies.get(key);
    if (!entry) {
      entry = { body: make(), used: true };
      this.#bodies.set(key, entry);
    }
    entry.used = true;
    return entry.body;
  }

  /** Plain data made from `from`. */
  data<T>(from: readonly unknown[], make: () => T): T {
    const key = JSON.stringify(from);
    let entry = this.#data.get(key);
    if (!entry) {
      entry = { value: make(), used: true };
      this.#data.set(key, entry);
    }
    entry.used = true;
    return entry.value as T;
  }

  /** Forgets what was not asked for since the last sweep. */
  sweep(): void {
    for (const [key, entry] of this.#bodies) {
      if (!entry.used) {
        entry.body.delete();
        this.#bodies.delete(key);
      }
      entry.used = false;
    }
    for (const [key, entry] of this.#data) {
      if (!entry.used) this.#data.delete(key);
      entry.used = false;
    }
  }

  /** Forgets everything. */
  clear(): void {
    for (const { body } of this.#bodies.values()) body.delete();
    this.#bodies.clear();
    this.#data.clear();
  }
}
