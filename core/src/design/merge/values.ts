import { isRecord, sameData, type Preferred, type Three } from './data.ts';
import { freshIds, withFreshIds, type WithId } from './freshIds.ts';
import { mergedEntries, mergedRuns } from './lists.ts';

/**
 * Two changes of plain data in one: field by field in what stays of one kind, entry by entry in lists. Where both changed
 * the very same value, the preferred one holds.
 *
 * @example
 * mergedValue({ base: { x: 1, y: 1 }, mine: { x: 2, y: 1 }, theirs: { x: 1, y: 3 } }, 'mine') // { x: 2, y: 3 }
 */
export function mergedValue(of: Three<unknown>, preferred: Preferred): unknown {
  const { base, mine, theirs } = of;
  if (sameData(mine, theirs) || sameData(base, theirs)) return mine;
  if (sameData(base, mine)) return theirs;
  const both = preferred === 'mine' ? mine : theirs;
  if (isRecord(base) && isRecord(mine) && isRecord(theirs))
    return isOther(base, mine) || isOther(base, theirs)
      ? both
      : mergedFields({ base, mine, theirs }, preferred);
  if (!Array.isArray(base) || !Array.isArray(mine) || !Array.isArray(theirs)) return both;
  const lists = { base, mine, theirs } as Three<readonly unknown[]>;
  if (haveIds(base) && haveIds(mine) && haveIds(theirs)) {
    const own = withFreshIds(mine, freshIds(base, mine, theirs), 'piece');
    return mergedEntries(
      { base, mine: own, theirs },
      ({ id }) => id,
      (each) => mergedValue(each, preferred) as WithId,
    );
  }
  return mergedRuns(lists, (each) => mergedValue(each, preferred)) ?? both;
}

/** Each field by itself; one that was taken out and changed at once is as the preferred side has it. */
function mergedFields(
  { base, mine, theirs }: Three<Record<string, unknown>>,
  preferred: Preferred,
): Record<string, unknown> {
  const keys = new Set([...Object.keys(mine), ...Object.keys(theirs)]);
  const entries = [...keys].map((key) => [
    key,
    mergedValue({ base: base[key], mine: mine[key], theirs: theirs[key] }, preferred),
  ]);
  return Object.fromEntries(entries.filter(([, value]) => value !== undefined)) as Record<string, unknown>;
}

/** Whether data became another kind of thing: a word in it changed, and with it the fields that there are. */
function isOther(before: Record<string, unknown>, after: Record<string, unknown>): boolean {
  const keys = Object.keys(before).filter((key) => before[key] !== undefined);
  const isLike = keys.length === Object.keys(after).length && keys.every((key) => key in after);
  return (
    !isLike &&
    keys.some((key) => typeof before[key] === 'string' && key in after && after[key] !== before[key])
  );
}

function haveIds(list: readonly unknown[]): list is readonly WithId[] {
  return list.every((each) => isRecord(each) && typeof each.id === 'string');
}
