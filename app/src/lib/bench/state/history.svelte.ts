/** How long after an edit another one of the same field still counts as the same edit. */
const SAME_EDIT_MS = 900;

/** What lies before and after the present state, the nearest last. */
export interface HistoryStates<State> {
  readonly past: readonly State[];
  readonly future: readonly State[];
}

/**
 * Past and future states of something that is edited as a whole. Quick edits of one field, as dragging a number makes
 * them, are taken back together.
 */
export class History<State> {
  #past = $state.raw<readonly State[]>([]);
  #future = $state.raw<readonly State[]>([]);
  readonly #isSame: (a: State, b: State) => boolean;
  #last: { field: string; at: number; gesture?: number } | undefined;

  constructor(isSame: (a: State, b: State) => boolean = () => false) {
    this.#isSame = isSame;
  }

  /** Everything that can be undone and redone, to be kept over a reload. */
  get states(): HistoryStates<State> {
    return { past: this.#past, future: this.#future };
  }

  /** Takes up what was kept; edits that were made meanwhile have begun a history of their own. */
  restore({ past, future }: HistoryStates<State>): void {
    if (this.canUndo || this.canRedo) return;
    this.#past = past;
    this.#future = future;
    this.#last = undefined;
  }

  get canUndo(): boolean {
    return this.#past.length > 0;
  }

  get canRedo(): boolean {
    return this.#future.length > 0;
  }

  /**
   * Notes that `before` is about to be changed. `field` names what is edited; without it the edit stands alone. Edits
   * of one `gesture`, a drag, belong together however slow it is.
   */
  edited(before: State, field?: string, now = Date.now(), gesture?: number): void {
    const isQuick = this.#last !== undefined && now - this.#last.at < SAME_EDIT_MS;
    const isSame =
      field !== undefined &&
      this.#last?.field === field &&
      (gesture === undefined ? isQuick && this.#last.gesture === undefined : this.#last.gesture === gesture);
    if (!isSame) this.#past = [...this.#past, before];
    this.#future = [];
    this.#last = field === undefined ? undefined : { field, at: now, gesture };
  }

  /** Puts another state in the place of each, as when somebody else's work came into all of them. */
  follow(change: (state: State) => State): void {
    this.#past = this.#past.map(change);
    this.#future = this.#future.map(change);
  }

  /**
   * The state before the last edit, or undefined; `current` becomes what redo returns to. Edits that somebody else's came
   * over, so that nothing is left of them, are passed by.
   */
  undo(current: State): State | undefined {
    const at = this.#past.findLastIndex((state) => !this.#isSame(state, current));
    const before = this.#past[at];
    this.#past = this.#past.slice(0, Math.max(0, at));
    if (before === undefined) return undefined;
    this.#future = [...this.#future, current];
    this.#last = undefined;
    return before;
  }

  /** The state that was last undone, or undefined. */
  redo(current: State): State | undefined {
    const at = this.#future.findLastIndex((state) => !this.#isSame(state, current));
    const after = this.#future[at];
    this.#future = this.#future.slice(0, Math.max(0, at));
    if (after === undefined) return undefined;
    this.#past = [...this.#past, current];
    this.#last = undefined;
    return after;
  }
}
