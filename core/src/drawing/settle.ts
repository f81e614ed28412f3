import { solvedSymmetric } from './cholesky.ts';
import { chordLength } from './edge.ts';
import { Unknowns, type Figure } from './figure.ts';
import type { Relation } from './relations/index.ts';
import { groupsOf, missesOf, rowsOf, systemOf, type Row, type System } from './system.ts';

/** A relation that is missed by less than this holds, mm. */
export const MET_MM = 1e-6;
/** An edge shorter than this has no length left, mm. */
const NO_LENGTH_MM = 0.01;
/** An arc turns at most this far to either side of its chord: its height is ten times half the chord then. */
const MOST_TURN = 2 * Math.atan(10);
/** Most rounds of one attempt; what can be solved takes about six. */
const MOST_ROUNDS = 40;
/** The sum of squares of what is missed at which nothing more is won. */
const DONE = 1e-20;
/** Rounds in a row that hardly help, after which none will. */
const IDLE_ROUNDS = 4;
/** Steps by which a far figure is led to what is asked. */
const LEADING_STEPS = 12;

/** A figure in which its relations hold, or as nearly as they can. */
export interface Settled {
  readonly figure: Figure;
  /** The indices of relations that cannot all hold, with those that hang together with them; empty where all hold. */
  readonly unmet: readonly number[];
}

/**
 * The figure near a drawn one in which relations hold: what no relation asks for stays as it was drawn. Each round moves the
 * numbers as little as it can towards it (Gauss and Newton's method with Levenberg's damping, on the shorter side of the
 * matrix: x ← x − G Jᵀ (J G Jᵀ + λ I)⁻¹ r).
 *
 * @param give How easily each number moves, 1 for most; less for what somebody holds with the pointer.
 */
export function settled(
  drawn: Figure,
  relations: readonly Relation[],
  give: (at: number) => number = () => 1,
): Settled {
  const unknowns = Unknowns.of(drawn);
  const whole = systemOf(relations, unknowns);
  const unmet = groupsOf(whole).flatMap((members) => {
    const group = {
      bounds: members.map((k) => whole.bounds[k]),
      variables: members.map((k) => whole.variables[k]),
    };
    return settleGroup(group, unknowns, give) ? [] : members;
  });
  return { figure: unknowns.figure(), unmet };
}

/** Settles relations that hang together, in place; hands back whether they hold. Where they do not, nothing is moved. */
function settleGroup(group: System, unknowns: Unknowns, give: (at: number) => number): boolean {
  const drawn = unknowns.values.slice();
  const moved = [...new Set(group.variables.flat())];
  const edges = edgesOf(moved, unknowns);
  const hadLength = edges.filter((edge) => chordLength(unknowns, edge) >= NO_LENGTH_MM);
  const holds = () =>
    Math.max(0, ...missesOf(group, unknowns).map(Math.abs)) < MET_MM &&
    hadLength.every((edge) => chordLength(unknowns, edge) >= NO_LENGTH_MM) &&
    edges.every((edge) => Math.abs(unknowns.turn(edge)) <= MOST_TURN);
  const attempts = [
    () => approach(group, unknowns, give),
    () => led(group, unknowns, give),
    // From a figure where no relation knows which way to go, such as points in one place, any way will do.
    () => {
      moved.forEach((at, i) => (unknowns.values[at] += 0.2 * Math.sin(7 * i + 1)));
      led(group, unknowns, give);
    },
  ];
  for (const attempt of attempts) {
    attempt();
    if (holds()) return true;
    unknowns.values.set(drawn);
  }
  return false;
}

/** The edges whose ends or turns are among some numbers. */
function edgesOf(moved: readonly number[], unknowns: Unknowns): number[] {
  const all = Array.from({ length: unknowns.count }, (_, edge) => edge);
  const numbers = new Set(moved);
  return all.filter((edge) =>
    [2 * edge, 2 * unknowns.after(edge), unknowns.turnAt(edge)].some((at) => numbers.has(at)),
  );
}

/** Leads the figure on in small steps: of what it misses, less and less is left at each. */
function led(group: System, unknowns: Unknowns, give: (at: number) => number): void {
  const first = missesOf(group, unknowns);
  for (let step = 1; step <= LEADING_STEPS; step++) {
    const left = 1 - step / LEADING_STEPS;
    const meant = first.map((miss) => left * miss);
    if (!approach(group, unknowns, give, meant)) return;
  }
}

/** Moves the figure until it misses its relations by just so much; hands back whether it came there. */
function approach(
  group: System,
  unknowns: Unknowns,
  give: (at: number) => number,
  meant: readonly number[] = [],
): boolean {
  const { values } = unknowns;
  const missing = () => missesOf(group, unknowns).map((miss, i) => miss - (meant[i] ?? 0));
  let misses = missing();
  let size = sizeOf(misses);
  let damping = 1e-9;
  let idle = 0;
  for (let round = 0; round < MOST_ROUNDS && size > DONE && damping < 1e6 && idle < IDLE_ROUNDS; round++) {
    const before = values.slice();
    const rows = rowsOf(group, unknowns);
    const pulls = solvedSymmetric(normal(rows, values.length, give, damping), misses);
    if (pulls)
      rows.forEach(({ at, slopes }, i) => {
        at.forEach((each, k) => (values[each] -= give(each) * slopes[k] * pulls[i]));
      });
    const next = missing();
    const nextSize = sizeOf(next);
    if (pulls && nextSize < size) {
      idle = nextSize > 0.99 * size ? idle + 1 : 0;
      misses = next;
      size = nextSize;
      damping = Math.max(1e-9, damping / 10);
    } else {
      values.set(before);
      damping *= 20;
    }
  }
  return size <= MET_MM ** 2;
}

function sizeOf(misses: readonly number[]): number {
  return misses.reduce((sum, miss) => sum + miss * miss, 0);
}

/** The matrix J G Jᵀ + λ I. */
function normal(
  rows: readonly Row[],
  count: number,
  give: (at: number) => number,
  damping: number,
): Float64Array[] {
  const dense = new Float64Array(count);
  return rows.map((row, i) => {
    const line = new Float64Array(rows.length);
    row.at.forEach((at, k) => (dense[at] = row.slopes[k] * give(at)));
    for (let j = 0; j <= i; j++) {
      const other = rows[j];
      let sum = 0;
      for (let k = 0; k < other.at.length; k++) sum += other.slopes[k] * dense[other.at[k]];
      line[j] = sum;
    }
    line[i] += damping * Math.max(1, line[i]);
    for (const at of row.at) dense[at] = 0;
    return line;
  });
}
