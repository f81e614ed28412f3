import { isRecord } from './data.ts';

/** Something in a list that others name by its id. */
export interface WithId {
  readonly id: string;
}

/**
 * What my new entries are called, where the other side added entries of the same ids: the first that are free above every
 * number in use. The ids of entries are a letter and a number.
 *
 * @example
 * freshIds([{ id: 's1' }], [{ id: 's1' }, { id: 's2' }], [{ id: 's1' }, { id: 's2' }]) // Map { 's2' => 's3' }
 */
export function freshIds(
  base: readonly WithId[],
  mine: readonly WithId[],
  theirs: readonly WithId[],
): Map<string, string> {
  const old = new Set(base.map(({ id }) => id));
  const other = new Set(theirs.map(({ id }) => id));
  const numbers = [...base, ...mine, ...theirs].map(({ id }) => Number(/^[a-z](\d+)$/.exec(id)?.[1] ?? 0));
  let next = Math.max(0, ...numbers);
  const taken = mine.filter(({ id }) => !old.has(id) && other.has(id));
  return new Map(taken.map(({ id }) => [id, `${id[0]}${++next}`]));
}

/**
 * A list in which entries have other ids, and all in it that names them by `key` follows.
 *
 * @example
 * withFreshIds([{ id: 's2', on: { step: 's2' } }], new Map([['s2', 's3']]), 'step') // [{ id: 's3', on: { step: 's3' } }]
 */
export function withFreshIds<Entry extends WithId>(
  list: readonly Entry[],
  ids: ReadonlyMap<string, string>,
  key: 'step' | 'piece',
): readonly Entry[] {
  if (ids.size === 0) return list;
  const walk = (of: unknown): unknown => {
    if (Array.isArray(of)) return of.map(walk);
    if (!isRecord(of)) return of;
    return Object.fromEntries(
      Object.entries(of).map(([name, value]) => [
        name,
        name === key && typeof value === 'string' ? (ids.get(value) ?? value) : walk(value),
      ]),
    );
  };
  return list.map((entry) => ({ ...(walk(entry) as Entry), id: ids.get(entry.id) ?? entry.id }));
}
