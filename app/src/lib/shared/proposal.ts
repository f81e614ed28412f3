/** A part that waits, with what decides when it is printed. */
export interface WaitingPart {
  readonly id: string;
  readonly student: string;
  /** The day until which the brief is to be done, as 2026-12-05; what has none comes last. */
  readonly dueOn: string | null;
  /** Its place where somebody put the queue in order by hand. */
  readonly handOrder: number | null;
  readonly seconds: number;
  readonly grams: number;
}

/**
 * Parts in the order in which they are printed: what is due first goes first, and of what is due the same day one part
 * of each student goes before anybody's second. Otherwise they keep their order. What somebody has put in order by hand
 * goes before all that.
 */
export function inFairOrder<T extends Pick<WaitingPart, 'student' | 'dueOn' | 'handOrder'>>(
  parts: readonly T[],
): T[] {
  const counts = new Map<string, number>();
  const ranked = parts.map((part) => {
    const key = `${part.dueOn} ${part.student}`;
    const rank = counts.get(key) ?? 0;
    counts.set(key, rank + 1);
    return { part, rank };
  });
  const dueOf = (part: T) => part.dueOn ?? '9999';
  const handOf = (part: T) => part.handOrder ?? Number.MAX_SAFE_INTEGER;
  return ranked
    .sort(
      (a, b) =>
        handOf(a.part) - handOf(b.part) || dueOf(a.part).localeCompare(dueOf(b.part)) || a.rank - b.rank,
    )
    .map(({ part }) => part);
}

/** What a batch may take: how long it may run, and how much filament there is. */
export interface Room {
  readonly seconds: number;
  readonly grams: number;
}

/**
 * The first parts of an order that a batch has time and filament for, one after the other; a part that is too much is
 * passed over, so that a long one does not keep short ones waiting.
 */
export function partsWithin<T extends Pick<WaitingPart, 'seconds' | 'grams'>>(
  parts: readonly T[],
  room: Room,
  most: number,
): T[] {
  const chosen: T[] = [];
  let [seconds, grams] = [0, 0];
  for (const part of parts) {
    if (chosen.length === most) break;
    if (seconds + part.seconds > room.seconds || grams + part.grams > room.grams) continue;
    chosen.push(part);
    seconds += part.seconds;
    grams += part.grams;
  }
  return chosen;
}
