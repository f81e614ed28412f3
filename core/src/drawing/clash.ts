import type { Figure } from './figure.ts';
import type { Relation } from './relations/index.ts';
import { settled } from './settle.ts';

/**
 * The fewest relations that cannot hold together, by their indices, the newest of them last; empty where all can hold. What
 * of them is taken away lets the others hold.
 */
export function clashOf(drawn: Figure, relations: readonly Relation[]): number[] {
  const together = settled(drawn, relations).unmet;
  if (together.length === 0) return [];
  const fails = (indices: readonly number[]) =>
    settled(
      drawn,
      indices.map((k) => relations[k]),
    ).unmet.length > 0;
  // The first relation that cannot join those before it is found by halving.
  let [fine, broken] = [0, together.length];
  while (broken - fine > 1) {
    const middle = (fine + broken) >> 1;
    if (fails(together.slice(0, middle))) broken = middle;
    else fine = middle;
  }
  const newest = together[broken - 1];
  let needed = together.slice(0, broken - 1);
  for (const each of [...needed]) {
    const without = needed.filter((k) => k !== each);
    if (fails([...without, newest])) needed = without;
  }
  return [...needed, newest];
}
