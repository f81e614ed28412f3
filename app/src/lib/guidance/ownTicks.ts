/** What was ticked on this page, or unticked, by the prompt’s id: it is shown so until the server tells the same. */
export type OwnTicks = Readonly<Record<string, boolean>>;

/** Those of which the server does not tell the same yet; what it told is the others’ to change as well. */
export function untold(own: OwnTicks, ticked: readonly string[]): OwnTicks {
  return Object.fromEntries(Object.entries(own).filter(([id, isDone]) => ticked.includes(id) !== isDone));
}

/** Those that are left once one was not taken, unless it was changed again since. */
export function notTaken(own: OwnTicks, prompt: string, isDone: boolean): OwnTicks {
  return Object.fromEntries(Object.entries(own).filter(([id, now]) => id !== prompt || now !== isDone));
}
