/** Things by what they have in common, in the order in which they come. Node 20 has no `Map.groupBy` to do this. */
export function grouped<T, Key>(things: readonly T[], keyOf: (thing: T) => Key): [Key, T[]][] {
  const groups = new Map<Key, T[]>();
  for (const thing of things) {
    const key = keyOf(thing);
    groups.set(key, [...(groups.get(key) ?? []), thing]);
  }
  return [...groups];
}
