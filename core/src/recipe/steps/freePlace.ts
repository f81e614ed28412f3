import * as z from 'zod';
import { length, type Amount, type Resolved } from '../amount.ts';
import { aroundTokens } from '../aroundSentence.ts';
import { normalOf, type Facing } from '../facing.ts';
import type { Placement } from '../placement.ts';
import type { Extent } from '../placementOptions.ts';
import { placementAdditions, placementTokens, targetToken } from '../placementSentence.ts';
import {
  clause,
  millimetres,
  text,
  type Addition,
  type FieldPath,
  type SentenceContext,
  type Token,
} from '../sentence.ts';
import { freeRoom, middleIn, placedAt, type Placed } from './freeRoom.ts';
import { facedPlacementTokens, spreadOf } from './placed.ts';
import type { BuildKit } from './stepKind.ts';
import { say } from '../../words/index.ts';
import { levelTokens } from '../levelSentence.ts';
import { aside } from '../shortSentence.ts';

/** In the middle of what is free of the face that a thing is on, so far from its edges, holes and what stands there. */
export const free = z.strictObject({ marginMm: length(0, 100) }).optional();
export type Free = z.infer<typeof free>;

/** What may lie where there is room. */
interface Placeable {
  readonly facing?: Facing;
  readonly placement: Placement;
  readonly free?: Free;
}

/** "in the middle of the free space on step 1, away from its edges by at least 1 mm", or where it is said to be. */
export function placeTokens(step: Placeable, context: SentenceContext, extent?: Extent): Token[] {
  const { placement, free: wished, facing = 'up' } = step;
  if (!wished) return placementTokens(placement, context, spreadOf(facing), extent);
  return [
    ...clause(
      [
        text('in the middle of the free space on'),
        ...roomTokens(step, wished.marginMm, ['free', 'marginMm'], context),
      ],
      ['free'],
      'Say where it is instead',
    ),
    ...aroundTokens(placement),
  ];
}

/** Where a thing that faces a side lies: across that side first, then along it. */
export function facedPlaceTokens(
  step: Placeable & { readonly facing: Facing },
  context: SentenceContext,
): Token[] {
  if (!step.free) return facedPlacementTokens(step, context);
  return [...levelTokens(normalOf[step.facing].axis, step), ...placeTokens(step, context)];
}

/** "step 1, away from its edges by at least 1 mm". */
export function roomTokens(
  { placement }: Pick<Placeable, 'placement'>,
  marginMm: Amount,
  path: FieldPath,
  context: SentenceContext,
): Token[] {
  return [
    targetToken(['placement', 'on'], placement.on, context),
    ...aside(
      text(', away from its edges by at least'),
      millimetres(path, marginMm, 'margin', { min: 0, max: 100 }),
    ),
  ];
}

/** The offers to say otherwise where a thing is. */
export function placeAdditions({ placement, free: wished, facing = 'up' }: Placeable): Addition[] {
  // In the middle of what is free, it is placed by that.
  if (wished) return [];
  return [
    ...placementAdditions(placement, spreadOf(facing)),
    ...('plate' in placement.on
      ? []
      : [{ label: say('put it in the middle of the free space'), path: ['free'], value: { marginMm: 1 } }]),
  ];
}

/** A step that stands where there is room, if what it is on has faces. */
export function setFree<S extends Placeable>(step: S, marginMm: number): S {
  return 'plate' in step.placement.on ? step : { ...step, free: { marginMm } };
}

/**
 * Where a thing of a size lies, in the right and up of the side that it faces: as it says, or where there is room, which
 * may be nowhere.
 */
export function placeOf<Body>(
  { placement, free: wished, facing = 'up' }: Resolved<Placeable>,
  [widthMm, heightMm]: readonly [number, number],
  kit: BuildKit<Body>,
): Placed {
  if (!wished || 'plate' in placement.on) return placement;
  const { face, room } = freeRoom(kit, facing, placement.on, wished.marginMm);
  const places = kit.roomFor(room, widthMm, heightMm);
  if (places.length === 0) {
    return kit.fail(
      ['free', 'marginMm'],
      say('There is no place that is free and large enough for it: make it smaller, or the margin.'),
    );
  }
  return placedAt(placement, facing, middleIn(places, face));
}
