import * as z from 'zod';
import type { Vec3 } from '../mesh/index.ts';
import { facingOf, middleOf, type EdgeChain } from './edgeChains.ts';
import type { Surface } from './surface.ts';
import { angleBetween, lengthOf, minus } from '../mesh/vectors.ts';

const number = z.number().min(-1).max(2);
const triple = z.tuple([number, number, number]);

/**
 * How an edge is remembered: by the steps between whose surfaces it lies, by how those look there, and by where it lies
 * among the edges of which the same can be said, as a share of their box. None of it changes with sizes.
 */
export const edgeName = z.strictObject({
  steps: z.tuple([z.string().min(1).max(40), z.string().min(1).max(40)]),
  looks: z.tuple([triple, triple]),
  at: triple,
});
export type EdgeName = z.infer<typeof edgeName>;

/** A face that looks everywhere, as one that goes around does, looks nowhere. */
const LOOKS_NOWHERE = 0.5;
/** By so much a face may be turned and still be the one that was meant, radians. */
const SAME_LOOK = (35 * Math.PI) / 180;
/** By so much of their box an edge may have moved among others and still be the one that was meant. */
const SAME_PLACE = 0.35;

/** An edge with what tells it from others. */
interface Told {
  readonly chain: EdgeChain;
  readonly steps: readonly [string, string];
  readonly looks: readonly [Vec3, Vec3];
  readonly middle: Vec3;
}

function tell(surface: Surface, chains: readonly EdgeChain[], stepIds: readonly string[]): Told[] {
  return chains.map((chain) => {
    const told = ([0, 1] as const).map((side) => ({
      step: stepIds[chain.steps[side]] ?? '',
      look: plainLook(facingOf(surface, chain, side)),
    }));
    // Which of the two is on the left says nothing: the same edge is told the same way always.
    told.sort((a, b) => (orderOf(a) < orderOf(b) ? -1 : 1));
    const [one, other] = told;
    return {
      chain,
      steps: [one.step, other.step],
      looks: [one.look, other.look],
      middle: middleOf(chain),
    };
  });
}

const orderOf = ({ step, look }: { step: string; look: Vec3 }) =>
  `${step} ${look.map((each) => (each + 2).toFixed(1)).join(' ')}`;

function plainLook(look: Vec3): Vec3 {
  if (lengthOf(look) < LOOKS_NOWHERE) return [0, 0, 0];
  const rounded = look.map((each) => Math.round(100 * each) / 100 || 0);
  return [rounded[0], rounded[1], rounded[2]];
}

/** Whether two edges have the same said of them but for where they lie. */
function isAlike(
  a: Pick<Told, 'steps' | 'looks'>,
  b: { readonly steps: readonly string[]; readonly looks: readonly (readonly number[])[] },
): boolean {
  const alike = (i: 0 | 1, j: 0 | 1) => {
    const other = b.looks[j] as unknown as Vec3;
    const [oneRound, otherRound] = [lengthOf(a.looks[i]) === 0, lengthOf(other) === 0];
    if (a.steps[i] !== b.steps[j] || oneRound !== otherRound) return false;
    return oneRound || angleBetween(a.looks[i], other) < SAME_LOOK;
  };
  return (alike(0, 0) && alike(1, 1)) || (alike(0, 1) && alike(1, 0));
}

/** Where a place lies among others, as a share of their box; in the middle where that is flat. */
function placeAmong(place: Vec3, all: readonly Vec3[]): Vec3 {
  const share = ([0, 1, 2] as const).map((i) => {
    const values = all.map((each) => each[i]);
    const [low, high] = [Math.min(...values), Math.max(...values)];
    return high - low < 1e-3 ? 0.5 : Math.round((1000 * (place[i] - low)) / (high - low)) / 1000;
  });
  return [share[0], share[1], share[2]];
}

/** The names of edges, in their order. */
export function namesOf(
  surface: Surface,
  chains: readonly EdgeChain[],
  stepIds: readonly string[],
): EdgeName[] {
  const told = tell(surface, chains, stepIds);
  return told.map(({ steps, looks, middle }) => {
    const alike = told.filter((each) => isAlike(each, { steps, looks })).map((each) => each.middle);
    const at = placeAmong(middle, alike);
    return {
      steps: [...steps],
      looks: [[...looks[0]], [...looks[1]]],
      at: [...at],
    };
  });
}

/** The edges that names mean now; undefined for each that is gone. No edge is meant by two names. */
export function namedEdges(
  surface: Surface,
  chains: readonly EdgeChain[],
  stepIds: readonly string[],
  names: readonly EdgeName[],
): (EdgeChain | undefined)[] {
  const told = tell(surface, chains, stepIds);
  const taken = new Set<EdgeChain>();
  return names.map((name) => {
    const alike = told.filter((each) => isAlike(each, name));
    const middles = alike.map(({ middle }) => middle);
    const byDistance = alike
      .filter(({ chain }) => !taken.has(chain))
      .map(({ chain, middle }) => ({ chain, away: lengthOf(minus(placeAmong(middle, middles), name.at)) }))
      .sort((a, b) => a.away - b.away);
    const nearest = byDistance.at(0);
    if (!nearest || (alike.length > 1 && nearest.away > SAME_PLACE)) return undefined;
    taken.add(nearest.chain);
    return nearest.chain;
  });
}
