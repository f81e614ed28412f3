import { sizeOf, type Box } from '../../mesh/index.ts';
import type { Facing } from '../facing.ts';
import type { Recipe } from '../recipe.ts';
import { addStep, setField } from '../edits.ts';
import {
  canCarry,
  isGround,
  offersOf,
  setFreely,
  spaced,
  stepKinds,
  takesLast,
  type Step,
} from '../steps/index.ts';
import { refaced, spreadOf } from '../steps/placed.ts';
import { begun, optionsOf, variantId } from './stepOffers.ts';

/** What is added: an offer, and which of its variants. */
export interface Wanted {
  readonly offer: string;
  readonly variant?: string;
}

/** What is known of where a new step is wanted. */
export interface Landing {
  /** The id of the step that is marked. */
  readonly marked?: string;
  /** The side of it that is marked. */
  readonly side?: Facing;
  /** The boxes of what steps made; of those that are equally good, the one with the largest top is taken. */
  readonly boxOf?: (stepId: string) => Box | undefined;
}

/**
 * Adds a step as it was offered, where it makes sense: on what is marked, or what that stands on where nothing can stand on
 * it; else on the largest step with a flat top. Where others are in the way it goes to what is free. Where there is nothing
 * yet, what needs something to be on brings a plate.
 *
 * @returns the recipe, with the new step at its end
 * @throws RangeError for an offer that there is not
 */
export function addOffered(
  recipe: Recipe,
  { offer: offerId, variant }: Wanted,
  landing: Landing = {},
): Recipe {
  const found = stepKinds
    .flatMap(({ kind }) => offersOf(kind).map((offer) => ({ kind, offer })))
    .find(({ offer }) => offer.id === offerId);
  if (!found) throw new RangeError(`There is no offer “${offerId}”`);
  const { kind, offer } = found;
  if (offer.plate && recipe.steps.length === 0) {
    const onPlate = addOffered(addOffered(recipe, { offer: 'shape' }), { offer: offerId, variant }, landing);
    if (offer.plate === 'under') return onPlate;
    return { ...onPlate, steps: onPlate.steps.with(-1, setFreely(onPlate.steps[1])) };
  }
  const host = takesLast(kind) ? lastMade(recipe, landing) : groundFor(recipe, landing);
  const added = addStep(recipe, kind, host);
  let step = begun(kind, offer, added.steps[added.steps.length - 1].id, host);
  if (recipe.steps.length === 0) step = compactFor(variant, step);
  if (landing.side && host === landing.marked) step = onSide(step, landing.side);
  if (host !== undefined && isTaken(recipe, host, step)) step = setFreely(step);
  const changed = { ...added, steps: added.steps.with(-1, step) };
  const option =
    variant === undefined
      ? undefined
      : optionsOf(offer, step, recipe).find(({ value }) => variantId(value) === variant);
  const edited = option ? setField(changed, step.id, offer.variants!, option.value) : undefined;
  const varied = edited?.ok ? edited.recipe : changed;
  const own = takesLast(kind) && host !== undefined ? landing.boxOf?.(host) : undefined;
  if (!own) return varied;
  const under = hostOf(recipe.steps.find(({ id }) => id === host)!);
  const others = recipe.steps.flatMap((each) =>
    each.id !== host && !each.off && hostOf(each) === under ? (landing.boxOf?.(each.id) ?? []) : [],
  );
  const around =
    under === undefined ? { own } : { own, under: { step: under }, room: landing.boxOf?.(under), others };
  return { ...varied, steps: varied.steps.with(-1, spaced(varied.steps[varied.steps.length - 1], around)) };
}

/** What a badge or a token measures across, mm. */
const COMPACT_MM = 40;

/** A first shape of another kind than a plate is no wider than it is deep, and so no plate's width across. */
function compactFor(variant: string | undefined, step: Step): Step {
  if (variant === undefined || !('outline' in step)) return step;
  if (step.outline.shape !== 'roundedRectangle' || variant === step.outline.shape) return step;
  return { ...step, outline: { ...step.outline, widthMm: COMPACT_MM, depthMm: COMPACT_MM } };
}

/** The step on which another is placed. */
function groundFor({ steps }: Recipe, { marked, boxOf }: Landing): string | undefined {
  const at = steps.find(({ id }) => id === marked);
  if (at && isGround(at)) return at.id;
  const under = at && hostOf(at);
  if (under !== undefined && steps.some((each) => each.id === under && canCarry(each.kind))) return under;
  const grounds = steps.filter((each) => isGround(each));
  const rooms = grounds.map(({ id }) => topMm2(boxOf?.(id)));
  const most = Math.max(0, ...rooms);
  const ground =
    grounds.findLast((_, i) => rooms[i] >= most) ?? steps.findLast(({ kind, off }) => canCarry(kind) && !off);
  return ground?.id;
}

function topMm2(box: Box | undefined): number {
  if (!box) return 0;
  const [wide, deep] = sizeOf(box);
  return wide * deep;
}

/** The step that is taken up by another: the one that is marked, or the last that added or cut something somewhere. */
function lastMade({ steps }: Recipe, { marked }: Landing): string | undefined {
  const isMade = (each: Step) => 'placement' in each && !each.off;
  return (steps.find((each) => each.id === marked && isMade(each)) ?? steps.findLast(isMade))?.id;
}

function hostOf(step: Step): string | undefined {
  return 'placement' in step && 'step' in step.placement.on ? step.placement.on.step : undefined;
}

function onSide(step: Step, side: Facing): Step {
  if (!('facing' in step && 'placement' in step) || step.facing === side) return step;
  return { ...step, facing: side, placement: refaced(step.placement, step.facing, side) };
}

/** Whether something is on a side of a step already, not beside it. */
function isTaken({ steps }: Recipe, host: string, { id, ...step }: Step): boolean {
  const side = 'facing' in step ? step.facing : 'up';
  return steps.some((each) => {
    if (each.id === id || each.off || !('placement' in each) || hostOf(each) !== host) return false;
    if (('facing' in each ? each.facing : 'up') !== side) return false;
    return spreadOf(side).every((axis) => each.placement[axis].relation !== 'beside');
  });
}
