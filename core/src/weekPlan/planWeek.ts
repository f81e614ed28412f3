import { priceOf } from './price.ts';
import { schedule, type Manner, type Wish } from './schedule.ts';
import type { WeekBatch, WeekProblem } from './week.ts';

const MANNERS: readonly Manner[] = [undefined, 7200, 3600, 14_400, Infinity].flatMap((plateS) =>
  [0, 5400].flatMap((lateS) => [0, 20, 200].map((changeRanks) => ({ plateS, lateS, changeRanks }))),
);

/** When a search ends: whatever comes first. */
export interface Budget {
  readonly rounds: number;
  /** The share of the time that is used up. */
  readonly used: () => number;
}

/**
 * Plans a week: the batches of all printers. It begins with what is good at once, the parts in their fair order in each of
 * some manners, and betters the best of them for as long as it may: it moves parts, kinds and briefs forward and back in
 * the order, or keeps them for one of the printers, and keeps what is no dearer, or, less and less often, a little dearer (simulated annealing; Kirkpatrick et
 * al., Science 220, 1983). The same problem and rounds give the same plan.
 */
export function planWeek(problem: WeekProblem, { rounds, used }: Budget): WeekBatch[] {
  let wish: Wish = {
    order: problem.parts.map((_, index) => index),
    lanes: problem.parts.map(() => undefined),
  };
  let manner = MANNERS[0];
  let price = Infinity;
  let best: { batches: WeekBatch[]; price: number } = { batches: [], price: Infinity };
  const look = (wished: Wish, how: Manner) => {
    const batches = schedule(problem, wished, how);
    const is = priceOf(problem, batches);
    if (is < best.price) best = { batches, price: is };
    return is;
  };
  for (const each of MANNERS) {
    const is = look(wish, each);
    if (is < price) [manner, price] = [each, is];
    if (used() >= 1) return best.batches;
  }
  const random = numbers(problem.parts.length);
  for (let round = 0; round < rounds && used() < 1; round++) {
    const wished = random() < 0.15 ? wish : moved(problem, wish, random);
    const how = wished === wish ? MANNERS[Math.floor(random() * MANNERS.length)] : manner;
    const is = look(wished, how);
    // At first a plan that is two in a hundred dearer is kept every third time.
    const warmth = 0.02 * price * (1 - Math.max(round / rounds, used()));
    if (is <= price || random() < Math.exp((price - is) / warmth)) [wish, manner, price] = [wished, how, is];
  }
  return best.batches;
}

/** A wish with one part, or all parts of a kind or a brief, taken earlier or later, or kept for another printer. */
function moved(problem: WeekProblem, { order, lanes }: Wish, random: () => number): Wish {
  const { parts } = problem;
  const picked = parts[order[Math.floor(random() * order.length)]];
  const dice = random();
  const goes = (index: number) =>
    dice < 0.6
      ? parts[index] === picked
      : dice < 0.8
        ? parts[index].kind === picked.kind
        : parts[index].brief === picked.brief;
  if (random() < 0.3) {
    const lane = Math.floor(random() * (problem.printers.length + 1)) - 1;
    return { order, lanes: lanes.map((was, index) => (goes(index) ? (lane < 0 ? undefined : lane) : was)) };
  }
  const block = order.filter(goes);
  const others = order.filter((index) => !goes(index));
  others.splice(Math.floor(random() * (others.length + 1)), 0, ...block);
  return { order: others, lanes };
}

/** Numbers from 0 to 1 that are the same for the same seed (Mulberry32, by Tommy Ettinger, in the public domain). */
function numbers(seed: number): () => number {
  let state = seed;
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4_294_967_296;
  };
}
