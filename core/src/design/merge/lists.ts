import { movedIds } from '../../recipe/index.ts';
import { sameData, type Three } from './data.ts';

/**
 * Two changes of a list whose entries have keys. What one side took out is gone, unless the other changed it: nobody's work
 * is lost by that. The order is theirs, with what I moved or added after what it follows in my list.
 */
export function mergedEntries<Entry>(
  { base, mine, theirs }: Three<readonly Entry[]>,
  keyOf: (entry: Entry) => string,
  mergedEntry: (of: Three<Entry | undefined>) => Entry,
): Entry[] {
  const [old, own, other] = [base, mine, theirs].map(
    (list) => new Map(list.map((entry) => [keyOf(entry), entry])),
  );
  const merged = new Map<string, Entry>();
  for (const key of new Set([...other.keys(), ...own.keys()])) {
    const of = { base: old.get(key), mine: own.get(key), theirs: other.get(key) };
    const value =
      of.base !== undefined && (of.mine === undefined || of.theirs === undefined)
        ? changedOnly(of.base, of.mine ?? of.theirs)
        : mergedEntry(of);
    if (value !== undefined) merged.set(key, value);
  }
  const order = mergedOrder({ base: [...old.keys()], mine: [...own.keys()], theirs: [...other.keys()] });
  return order.flatMap((key) => merged.get(key) ?? []);
}

/** What is left of an entry that one side took out: what the other made of it, if it made anything of it. */
function changedOnly<Entry>(base: Entry, left: Entry | undefined): Entry | undefined {
  return sameData(base, left) ? undefined : left;
}

/** All keys of both lists, in their order, with those that I moved or added after what they follow in mine. */
function mergedOrder({ base, mine, theirs }: Three<readonly string[]>): string[] {
  const moved = movedIds(base, mine);
  const result = theirs.filter((key) => !moved.has(key));
  const isTheirs = (key: string | undefined) =>
    key !== undefined && !base.includes(key) && !mine.includes(key);
  mine.forEach((key, at) => {
    if (result.includes(key)) return;
    const before = mine.slice(0, at).findLast((each) => result.includes(each));
    let place = before === undefined ? 0 : result.indexOf(before) + 1;
    // Of two additions at one place the one that was there first stays first.
    if (!base.includes(key)) while (isTheirs(result[place])) place++;
    result.splice(place, 0, key);
  });
  return result;
}

/**
 * Two changes of a list whose entries are known by their place: entry by entry where both kept its length, else by the runs
 * that each side put into the place of others. Undefined where these runs overlap.
 */
export function mergedRuns(
  { base, mine, theirs }: Three<readonly unknown[]>,
  mergedEntry: (of: Three<unknown>) => unknown,
): unknown[] | undefined {
  if (mine.length === base.length && theirs.length === base.length)
    return base.map((each, i) => mergedEntry({ base: each, mine: mine[i], theirs: theirs[i] }));
  const [first, second] = [runOf(base, theirs), runOf(base, mine)].sort(
    (a, b) => a.from - b.from || a.to - b.to,
  );
  if (first.to > second.from) return undefined;
  return [
    ...base.slice(0, first.from),
    ...first.entries,
    ...base.slice(first.to, second.from),
    ...second.entries,
    ...base.slice(second.to),
  ];
}

/** The entries that stand in a changed list in the place of those from `from` to before `to`. */
interface Run {
  readonly from: number;
  readonly to: number;
  readonly entries: readonly unknown[];
}

function runOf(before: readonly unknown[], after: readonly unknown[]): Run {
  const most = Math.min(before.length, after.length);
  let from = 0;
  while (from < most && sameData(before[from], after[from])) from++;
  let kept = 0;
  while (kept < most - from && sameData(before.at(-1 - kept), after.at(-1 - kept))) kept++;
  return { from, to: before.length - kept, entries: after.slice(from, after.length - kept) };
}
