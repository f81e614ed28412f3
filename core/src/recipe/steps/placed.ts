import { boxUnder, combined, shift, type Box, type Pose } from '../../mesh/index.ts';
import { extentOf, type Region } from '../../plane/index.ts';
import type { Resolved } from '../amount.ts';
import { facingPose, normalOf, type Facing } from '../facing.ts';
import {
  axes,
  centredAlong,
  fromPlate,
  shiftFor,
  type Along,
  type Axis,
  type Placement,
} from '../placement.ts';
import { placementTokens } from '../placementSentence.ts';
import { choice, type SentenceContext, type Token } from '../sentence.ts';
import { levelTokens } from '../levelSentence.ts';

/** The two axes along which a thing that faces a side is spread, as its sentence names them. */
export function spreadOf(side: Facing): [Axis, Axis] {
  const across = normalOf[side].axis;
  const [first, second] = axes.filter((axis) => axis !== across);
  return [first, second];
}

/**
 * Where a region raised from 0 to `heightMm` lies when it faces a side as a placement says, which measures to its edges or
 * to its axis: the point about which the region is drawn.
 */
export function placedPose(
  region: Region,
  heightMm: number,
  side: Facing,
  placement: Resolved<Placement>,
  host: Box,
  measuredTo: 'edges' | 'axis' = 'edges',
): { pose: Pose; box: Box } {
  const { x, y } = extentOf(region);
  const own = boxUnder(facingPose(side), { min: [x.low, y.low, 0], max: [x.high, y.high, heightMm] });
  const axis = boxUnder(facingPose(side), { min: [0, 0, 0], max: [0, 0, heightMm] });
  const by = shiftFor(placement, measuredTo === 'axis' ? axis : own, host);
  return { pose: combined(shift(by), facingPose(side)), box: boxUnder(shift(by), own) };
}

/** Whether a placement puts the outer face of something flush with that of its host, so that a cut opens there. */
export function isFlush(placement: Placement | Resolved<Placement>, side: Facing): boolean {
  const { axis, isHigh } = normalOf[side];
  const rule = placement[axis];
  return rule.relation === 'inFrom' && rule.edge === (isHigh ? 'high' : 'low') && rule.mm === 0;
}

/** Whether a placement puts something right on the face of its host that it looks away from. */
export function isOnFace(placement: Placement | Resolved<Placement>, side: Facing): boolean {
  const { axis, isHigh } = normalOf[side];
  const rule = placement[axis];
  return rule.relation === 'beside' && rule.edge === (isHigh ? 'high' : 'low') && rule.overlapMm === 0;
}

/**
 * A placement for what was added and is cut now, or the other way round: what stood right on a face begins flush with it as
 * a cut, instead of cutting the air over it.
 */
export function placedAs(
  effect: 'add' | 'cut' | 'keep',
  before: 'add' | 'cut' | 'keep',
  placement: Placement,
  side: Facing,
): Placement {
  if ('plate' in placement.on || effect === 'keep' || effect === before) return placement;
  const { axis, isHigh } = normalOf[side];
  const edge = isHigh ? 'high' : 'low';
  if (effect === 'cut' && isOnFace(placement, side))
    return { ...placement, [axis]: { relation: 'inFrom', edge, mm: 0 } };
  if (effect === 'add' && isFlush(placement, side))
    return { ...placement, [axis]: { relation: 'beside', edge, overlapMm: 0 } };
  return placement;
}

/** A placement for another side: what was said across the old side is said across the new one. */
export function refaced(of: Placement, from: Facing, to: Facing): Placement {
  const [old, next] = [normalOf[from], normalOf[to]];
  const across = acrossAs(of[old.axis], next.isHigh, next.axis === 'z', 'plate' in of.on);
  if (old.axis === next.axis) return { ...of, [next.axis]: across };
  // What lay on the plate stands on it.
  const wasOnPlate = 'plate' in of.on || of.z.relation === 'at';
  const alongOld: Along = old.axis === 'z' && wasOnPlate ? fromPlate : centredAlong;
  return { ...of, [old.axis]: alongOld, [next.axis]: across };
}

function acrossAs(rule: Along, isHigh: boolean, isUpright: boolean, isOnPlate: boolean): Along {
  const edge = isHigh ? 'high' : 'low';
  if (rule.relation === 'inFrom' || rule.relation === 'beside') return { ...rule, edge };
  if (rule.relation === 'at' && isUpright) return fromPlate;
  if (rule.relation === 'at') return isOnPlate ? { ...rule, own: 'middle' } : centredAlong;
  return rule;
}

/** The side that a step faces, as a choice that also moves what its placement says: as for a flat thing, or as told. */
export function facingToken<S extends { facing: Facing; placement: Placement }>(
  step: S,
  label: string,
  words: Record<Facing, string>,
  placedTo = (to: Facing): Placement => refaced(step.placement, step.facing, to),
): Token {
  const options = Object.entries(words).map(([side, shown]) => {
    const to = side as Facing;
    return { label: shown, value: { ...step, facing: to, placement: placedTo(to) } };
  });
  return choice([], label, options, ({ value }) => (value as S).facing === step.facing);
}

/** Where a thing that faces a side lies: across that side first, then along it. */
export function facedPlacementTokens(
  step: { facing: Facing; placement: Placement; effect?: 'add' | 'cut' | 'keep' },
  context: SentenceContext,
): Token[] {
  const { facing, placement } = step;
  return [
    ...levelTokens(normalOf[facing].axis, step),
    ...placementTokens(placement, context, spreadOf(facing)),
  ];
}
