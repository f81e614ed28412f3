import { CannotNow } from '../basics/cannotNow.ts';

/** How much of one person may wait: a page sends one file at a time. */
const MOST_WAITING = 4;

/** What runs and waits of each person: the last of it, and how much there is. */
const lines = new Map<string, { last: Promise<unknown>; length: number }>();

/**
 * Does what a person asks for after what they asked for before, so that nobody has more than one file in the server's
 * memory: work reads what was sent only when its turn comes. Throws {@link CannotNow} for somebody who sends on and on.
 */
export async function inTurn<T>(personId: string, work: () => Promise<T>): Promise<T> {
  const line = lines.get(personId) ?? { last: Promise.resolve(), length: 0 };
  if (line.length > MOST_WAITING)
    throw new CannotNow('Other files of yours are on their way: try again then.');
  lines.set(personId, line);
  line.length++;
  const done = line.last.then(work);
  line.last = done.catch(() => undefined);
  try {
    return await done;
  } finally {
    line.length--;
    if (line.length === 0) lines.delete(personId);
  }
}
