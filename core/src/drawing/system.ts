import { isArc } from './edge.ts';
import { Unknowns } from './figure.ts';
import { bound, type Bound, type Relation } from './relations/index.ts';

/** How far a number is moved to measure how a relation follows it, mm. */
const NUDGE_MM = 1e-6;

/** One row of the matrix of derivatives, where it is not 0. */
export interface Row {
  readonly at: readonly number[];
  readonly slopes: readonly number[];
}

/** Relations that are solved together, with the numbers that they may change. */
export interface System {
  readonly bounds: readonly Bound[];
  /** Where the numbers of each relation stand in the vector of unknowns. */
  readonly variables: readonly (readonly number[])[];
}

/** Relations of a figure, ready to be solved. Straight edges stay straight: their turn is no unknown. */
export function systemOf(relations: readonly Relation[], drawn: Unknowns): System {
  const bounds = relations.map((relation) => bound(relation, drawn));
  const variables = bounds.map(({ points, edges }) => [
    ...new Set([
      ...points.flatMap((i) => [2 * i, 2 * i + 1]),
      ...edges.filter((edge) => isArc(drawn, edge)).map((edge) => drawn.turnAt(edge)),
    ]),
  ]);
  return { bounds, variables };
}

/** How far a figure misses each relation, mm, one after the other. */
export function missesOf({ bounds }: System, figure: Unknowns): number[] {
  return bounds.flatMap((each) => each.misses(figure));
}

/**
 * How each miss follows the unknowns, by central differences: a relation is written once, as what it asks, and its error of
 * about 1e-9 is far below what is told apart here.
 */
export function rowsOf({ bounds, variables }: System, figure: Unknowns): Row[] {
  const { values } = figure;
  return bounds.flatMap((each, k) => {
    const columns = variables[k].map((at) => {
      const kept = values[at];
      values[at] = kept + NUDGE_MM;
      const above = each.misses(figure);
      values[at] = kept - NUDGE_MM;
      const below = each.misses(figure);
      values[at] = kept;
      return above.map((miss, i) => (miss - below[i]) / (2 * NUDGE_MM));
    });
    return each
      .misses(figure)
      .map((_, i): Row => ({ at: variables[k], slopes: columns.map((column) => column[i]) }));
  });
}

/** The relations that hang together, by their indices: those of different groups share no number. */
export function groupsOf({ variables }: System): number[][] {
  const groups: { members: number[]; numbers: Set<number> }[] = [];
  variables.forEach((numbers, k) => {
    const touched = groups.filter((group) => numbers.some((at) => group.numbers.has(at)));
    const joined = {
      members: [...touched.flatMap(({ members }) => members), k],
      numbers: new Set([...touched.flatMap((group) => [...group.numbers]), ...numbers]),
    };
    for (const group of touched) groups.splice(groups.indexOf(group), 1);
    groups.push(joined);
  });
  return groups.map(({ members }) => members.sort((a, b) => a - b));
}
