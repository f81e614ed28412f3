import type { Unknowns } from '../figure.ts';

/** What a relation asks of a figure, ready to be measured. */
export interface Bound {
  /** The points whose places matter. */
  readonly points: readonly number[];
  /** The edges whose turns matter. */
  readonly edges: readonly number[];
  /** How far the figure misses it, mm, once for each number that it sets; all are 0 where it holds. */
  misses(figure: Unknowns): number[];
}

/**
 * A kind of relation: one file that says what it asks. Where several figures would do, such as a distance to the left or to
 * the right, the one is meant that is on the side where it was drawn.
 */
export type Binding<Relation> = (relation: Relation, drawn: Unknowns) => Bound;

/** The ends of edges, which matter wherever the edges do. */
export function endsOf(drawn: Unknowns, edges: readonly number[]): number[] {
  return edges.flatMap((edge) => [edge, drawn.after(edge)]);
}

/** The sign of the side on which something was drawn; what lies on the line itself counts as positive. */
export function sideOf(value: number): number {
  return value < 0 ? -1 : 1;
}
