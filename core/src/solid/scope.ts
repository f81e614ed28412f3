/** Something that holds the kernel's memory until it is deleted. */
interface Held {
  delete(): void;
}

/** Deletes everything that was kept in it, newest first, when its work is done. */
export class Scope {
  readonly #held: Held[] = [];

  /** Keeps a kernel object for the length of the scope and hands it back. */
  keep<T extends Held>(object: T): T {
    this.#held.push(object);
    return object;
  }

  /** Frees everything that is kept. */
  end(): void {
    for (const object of this.#held.reverse()) object.delete();
    this.#held.length = 0;
  }
}

/**
 * Runs work that makes kernel objects and frees them all when it ends, also by an error. What the work returns must
 * therefore be plain data.
 */
export function inScope<T>(work: (scope: Scope) => T): T {
  const scope = new Scope();
  try {
    return work(scope);
  } finally {
    scope.end();
  }
}
