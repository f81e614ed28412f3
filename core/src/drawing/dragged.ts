import type { Point } from '../plane/index.ts';
import type { Figure } from './figure.ts';
import type { Relation } from './relations/index.ts';
import { settled } from './settle.ts';

/** How much more easily all else moves than the point that is held. */
const HELD = 1e-4;

/** A figure with one of its points pulled to a place: it goes there as far as the relations let it, and the rest follows. */
export function dragged(
  { points, bends }: Figure,
  relations: readonly Relation[],
  index: number,
  to: Point,
): Figure {
  const pulled = { points: points.with(index, to), bends };
  const { figure, unmet } = settled(pulled, relations, (at) => (at >> 1 === index ? HELD : 1));
  return unmet.length > 0 ? { points, bends } : figure;
}
