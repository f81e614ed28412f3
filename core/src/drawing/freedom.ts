import { Unknowns, type Figure } from './figure.ts';
import type { Relation } from './relations/index.ts';
import { rowsOf, systemOf } from './system.ts';

/** A direction that is left to less than this by others is theirs already. */
const TELL_APART = 1e-5;

/** What relations leave open in a figure, and which of them say nothing new. */
export interface Freedom {
  /** How many numbers could still be set. */
  readonly open: number;
  /** How each point can still move. */
  readonly points: readonly ('set' | 'alongLine' | 'freely')[];
  /** Whether nothing but the place of the whole, or its place and how it is turned, is open. */
  readonly isWhole: boolean;
  /** The indices of relations that follow from those before them. */
  readonly following: readonly number[];
}

/**
 * What is still open in a figure in which relations hold. The directions in which relations lead are made orthonormal one
 * after the other (Gram and Schmidt, twice): what is left of a later one says whether it is new, and what is left of a
 * point's own directions says how it can move.
 */
export function freedomOf(figure: Figure, relations: readonly Relation[]): Freedom {
  const unknowns = Unknowns.of(figure);
  const size = unknowns.values.length;
  const system = systemOf(relations, unknowns);
  const basis: Float64Array[] = [];
  const following = system.bounds.flatMap((each, k) => {
    const one = { bounds: [each], variables: [system.variables[k]] };
    const grew = rowsOf(one, unknowns).filter(({ at, slopes }) => {
      const direction = new Float64Array(size);
      at.forEach((each, i) => (direction[each] = slopes[i]));
      return added(basis, direction);
    });
    return grew.length === 0 && system.variables[k].length > 0 ? [k] : [];
  });
  const arcs = figure.bends.filter((bend) => Math.abs(bend) > 1e-9).length;
  const open = 2 * figure.points.length + arcs - basis.length;
  return {
    open,
    points: figure.points.map((_, i) => howItMoves(basis, i)),
    isWhole: open > 0 && open <= 3 && openAsWhole(basis, figure) === open,
    following,
  };
}

/** Adds the part of a direction that a basis lacks, if it lacks any; hands back whether it did. */
function added(basis: Float64Array[], direction: Float64Array): boolean {
  const length = Math.sqrt(dot(direction, direction));
  if (length < 1e-12) return false;
  const left = direction.map((each) => each / length);
  for (let pass = 0; pass < 2; pass++)
    for (const each of basis) {
      const along = dot(left, each);
      if (along !== 0) for (let i = 0; i < left.length; i++) left[i] -= along * each[i];
    }
  const rest = Math.sqrt(dot(left, left));
  if (rest < TELL_APART) return false;
  basis.push(left.map((each) => each / rest));
  return true;
}

function dot(a: Float64Array, b: Float64Array): number {
  let sum = 0;
  for (let i = 0; i < a.length; i++) sum += a[i] * b[i];
  return sum;
}

/** What the projection on the open directions leaves of a point's own two: its eigenvalues say in how many it can move. */
function howItMoves(basis: readonly Float64Array[], point: number): Freedom['points'][number] {
  const [x, y] = [2 * point, 2 * point + 1];
  let [xx, xy, yy] = [1, 0, 1];
  for (const each of basis) {
    xx -= each[x] * each[x];
    xy -= each[x] * each[y];
    yy -= each[y] * each[y];
  }
  const middle = (xx + yy) / 2;
  const half = Math.hypot((xx - yy) / 2, xy);
  const ways = [middle - half, middle + half].filter((each) => each > TELL_APART).length;
  return (['set', 'alongLine', 'freely'] as const)[ways];
}

/** In how many ways the whole can be moved without changing its shape: to the side, up, and turned. */
function openAsWhole(basis: readonly Float64Array[], { points }: Figure): number {
  const ways: ((x: number, y: number) => [number, number])[] = [
    () => [1, 0],
    () => [0, 1],
    (x, y) => [-y, x],
  ];
  const motions: Float64Array[] = [];
  for (const way of ways) {
    const direction = new Float64Array(3 * points.length);
    points.forEach(([x, y], i) => direction.set(way(x, y), 2 * i));
    added(motions, direction);
  }
  // What relations stop of each motion; as many as these are independent, so many ways are taken.
  const stopped: Float64Array[] = [];
  const taken = motions.filter((motion) => {
    const along = Float64Array.from(basis, (each) => dot(each, motion));
    return Math.sqrt(dot(along, along)) > TELL_APART && added(stopped, along);
  });
  return motions.length - taken.length;
}
