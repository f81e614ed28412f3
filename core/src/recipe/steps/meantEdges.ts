import * as z from 'zod';
import {
  edgeChains,
  edgeName,
  facingOf,
  middleOf,
  namedEdges,
  namesOf,
  runsAlong,
  runsThrough,
  surfaceOf,
  type EdgeChain,
  type EdgeName,
  type Surface,
} from '../../edges/index.ts';
import { boundsOf } from '../../mesh/index.ts';
import type { Resolved } from '../amount.ts';
import { stepRef, type StepRef } from '../placement.ts';
import type { BuildKit, OfferedEdge, Operation } from './stepKind.ts';
import { say } from '../../words/index.ts';

/** As many edges as anybody would choose one by one. */
const MOST_CHOSEN = 60;

/** Which edges a sentence means. */
export const whichEdges = z.union([
  z.enum(['above', 'all', 'upright', 'upper']),
  /** Those between the surface that it is said of and that of another step. */
  z.strictObject({ between: stepRef }),
  z.strictObject({ chosen: z.array(edgeName).max(MOST_CHOSEN) }),
]);
export type WhichEdges = z.infer<typeof whichEdges>;

/** The words of a step that say which edges it means. */
export interface MeaningEdges {
  readonly id: string;
  readonly which: WhichEdges;
  /** The step whose edges are meant; those of the whole part if it is left out. */
  readonly of?: StepRef;
}

export const isChosen = (of: WhichEdges): of is { chosen: EdgeName[] } =>
  typeof of === 'object' && 'chosen' in of;
export const isBetween = (of: WhichEdges): of is { between: StepRef } =>
  typeof of === 'object' && 'between' in of;

/** The part's surface with its edges. */
export interface PartEdges {
  readonly surface: Surface;
  readonly chains: readonly EdgeChain[];
  readonly stepIds: readonly string[];
}

/** The edges of the part as it stands, after some operations on it; undefined while there is none. */
export function partEdges<Body>(
  kit: BuildKit<Body>,
  after: readonly Operation<Body>[],
): PartEdges | undefined {
  const part = kit.surface(after);
  if (!part) return undefined;
  const surface = surfaceOf(part.mesh);
  return { surface, chains: edgeChains(surface), stepIds: part.stepIds };
}

/** The edges that a sentence means. What was chosen and is gone is said. */
export function meantEdges<Body>(
  step: Resolved<MeaningEdges>,
  found: PartEdges,
  kit: BuildKit<Body>,
): EdgeChain[] {
  if (!isChosen(step.which)) return found.chains.filter(isMeant(step, found));
  const { chosen } = step.which;
  if (chosen.length === 0)
    kit.note(say('Choose the edges: tap them on the solid, or tick them in the sentence.'));
  const named = chosenEdges(found, chosen);
  const gone = chosen.length - named.size;
  if (gone > 0) {
    kit.note(
      say(
        '{gone, plural, one {# edge that was chosen is gone} other {# edges that were chosen are gone}}. Choose again.',
        { gone },
      ),
    );
  }
  return [...named.keys()];
}

/** The edges that were chosen, each with the name by which it was. */
function chosenEdges(
  { surface, chains, stepIds }: PartEdges,
  chosen: readonly EdgeName[],
): Map<EdgeChain, EdgeName> {
  const named = namedEdges(surface, chains, stepIds, chosen);
  return new Map(named.flatMap((chain, i) => (chain ? [[chain, chosen[i]] as const] : [])));
}

/** The edges that can be chosen; those that are have the names by which they were. */
export function offeredEdges(found: PartEdges, chosen: readonly EdgeName[]): OfferedEdge[] {
  const named = chosenEdges(found, chosen);
  const fresh = namesOf(found.surface, found.chains, found.stepIds);
  return found.chains.map((chain, i) => ({
    name: named.get(chain) ?? fresh[i],
    points: chain.points,
    isChosen: named.has(chain),
  }));
}

/** So near to the lowest place, an edge lies on the plate, mm. */
const ON_PLATE_MM = 0.01;

/** Tells whether words mean an edge. */
function isMeant(
  { which: of, of: host }: Resolved<MeaningEdges>,
  { surface, stepIds }: PartEdges,
): (chain: EdgeChain) => boolean {
  const lowMm = boundsOf(surface.mesh).min[2] + ON_PLATE_MM;
  return (chain) => {
    const steps = chain.steps.map((step) => stepIds[step]);
    if (typeof of === 'object') {
      const other = 'between' in of ? of.between.step : undefined;
      if (!host) return steps.some((step) => step === other) && steps.some((step) => step !== other);
      return [steps, steps.toReversed()].some(([a, b]) => a === host.step && b === other);
    }
    if (host && !steps.includes(host.step)) return false;
    switch (of) {
      case 'all':
        return true;
      case 'above':
        return chain.points.some((point) => point[2] > lowMm);
      case 'upright':
        return runsAlong(chain, [0, 0, 1]);
      case 'upper':
        return chain.isOuter && ([0, 1] as const).some((side) => facingOf(surface, chain, side)[2] > 0.9);
    }
  };
}

/** The edges that were meant, after others were finished. What the finishes make among themselves is not meant. */
export function meantNow(
  step: Resolved<MeaningEdges>,
  meant: readonly EdgeChain[],
  isOuter: boolean,
  now: PartEdges,
): EdgeChain[] {
  const chains = now.chains.filter((chain) => chain.isOuter === isOuter);
  if (isChosen(step.which)) {
    return chains.filter((chain) => meant.some((before) => runsThrough(chain, middleOf(before))));
  }
  return chains
    .filter(isMeant(step, now))
    .filter(({ steps }) => steps.some((index) => now.stepIds[index] !== step.id));
}
