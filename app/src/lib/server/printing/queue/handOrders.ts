/** A part that waits, with its place by hand; null where the rules put it, which is after all that have one. */
interface Placed {
  readonly id: string;
  readonly handOrder: number | null;
}

/** Places that lie closer together than this are given out once more. */
const CLOSEST = 1e-6;

/**
 * The places by hand that have to be written so that `moved` stand before the part at `index` of the others, in the order
 * that is given; `others` are in their order. Nearly always these are the moved ones alone.
 */
export function handOrders(
  others: readonly Placed[],
  moved: readonly Placed[],
  index: number,
): Map<string, number> {
  const before = others.slice(0, index);
  const next = others[index]?.handOrder ?? null;
  const last = before.at(-1);
  if (!before.some(({ handOrder }) => handOrder === null)) {
    const from = last?.handOrder ?? (next === null ? 0 : next - moved.length - 1);
    const step = next === null ? 1 : (next - from) / (moved.length + 1);
    if (step > CLOSEST) return new Map(moved.map(({ id }, i) => [id, from + step * (i + 1)]));
  }
  // What stands before them by the rules has to stay there, and so has what somebody put after them.
  const kept = [...before, ...moved, ...others.slice(index).filter(({ handOrder }) => handOrder !== null)];
  return new Map(kept.map(({ id }, i) => [id, i + 1]));
}
