/** For whom a task is done: tasks of one owner take turns with those of all others. */
export interface Owner {
  readonly id: string;
  /** How many of the owner's tasks may run at a time. */
  readonly atOnce: number;
}

/** Whatever a student asks for is done one after the other, so that nobody can take every place. */
export function ofStudent(id: string): Owner {
  return { id, atOnce: 1 };
}

/** What staff ask for, and what the server does by itself. */
export const ofStaff: Owner = { id: 'staff', atOnce: Infinity };

/** The tasks of one owner. */
interface Line<T> {
  readonly owner: Owner;
  readonly waiting: T[];
  running: number;
}

/**
 * Tasks that wait, in a line for each owner. The owners take turns: who has many tasks waits no shorter than who has one,
 * and nobody waits behind all tasks of another.
 */
export class FairQueue<T> {
  /** In the order of their next turn. */
  readonly #lines = new Map<string, Line<T>>();

  /** How many tasks wait. */
  get length(): number {
    let sum = 0;
    for (const { waiting } of this.#lines.values()) sum += waiting.length;
    return sum;
  }

  add(owner: Owner, task: T): void {
    const line = this.#lines.get(owner.id) ?? { owner, waiting: [], running: 0 };
    line.waiting.push(task);
    this.#lines.set(owner.id, line);
  }

  /** The task whose turn it is, which then counts as running; undefined when none may run. */
  next(): T | undefined {
    for (const [id, line] of this.#lines) {
      if (line.waiting.length === 0 || line.running >= line.owner.atOnce) continue;
      line.running++;
      // Behind all others for the next turn.
      this.#lines.delete(id);
      this.#lines.set(id, line);
      return line.waiting.shift();
    }
    return undefined;
  }

  /** Says that a task of an owner runs no more. */
  done(owner: Owner): void {
    const line = this.#lines.get(owner.id);
    if (!line) return;
    line.running--;
    if (line.running === 0 && line.waiting.length === 0) this.#lines.delete(owner.id);
  }

  /** Takes out everything that waits. */
  clear(): T[] {
    const all: T[] = [];
    for (const [id, line] of this.#lines) {
      all.push(...line.waiting.splice(0));
      if (line.running === 0) this.#lines.delete(id);
    }
    return all;
  }
}
