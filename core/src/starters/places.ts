import {
  centredAlong,
  downFromTop,
  emptyRecipe,
  fromPlate,
  onTop,
  type Along,
  type Amount,
  type Measure,
  type Piece,
  type Placement,
  type Recipe,
  type Step,
} from '../recipe/index.ts';

/* Short ways to say where things are, so that the starters read like the sentences they stand for. */

/** A recipe of steps, with the measures they use. */
export function recipeOf(steps: Step[], measures: Measure[] = []): Recipe {
  return { ...emptyRecipe(), measures, steps };
}

/** A number worked out from measures. */
export const by = (formula: string): Amount => ({ formula });

/** On the plate, centred unless it says otherwise. */
export function onPlate(at: Partial<Omit<Placement, 'on'>> = {}): Placement {
  return { on: { plate: true }, x: centredAlong, y: centredAlong, z: fromPlate, ...at };
}

/** On an earlier step: on its top, centred, unless it says otherwise. */
export function on(step: string, at: Partial<Omit<Placement, 'on'>> = {}): Placement {
  return { on: { step }, x: centredAlong, y: centredAlong, z: onTop, ...at };
}

export const fromLeft = (mm: Amount): Along => ({ relation: 'inFrom', edge: 'low', mm });
export const fromRight = (mm: Amount): Along => ({ relation: 'inFrom', edge: 'high', mm });
export const fromFront = fromLeft;
export const fromBack = fromRight;
export const besideLeft = (overlapMm: Amount): Along => ({ relation: 'beside', edge: 'low', overlapMm });
export const besideRight = (overlapMm: Amount): Along => ({ relation: 'beside', edge: 'high', overlapMm });
export const at = (mm: Amount, own: 'low' | 'middle' | 'high' = 'middle'): Along => ({
  relation: 'at',
  own,
  mm,
});
/** A piece of an outline, added at a place from its middle. */
export const joined = (id: string, outline: Piece['outline'], xMm: Amount = 0, yMm: Amount = 0): Piece => ({
  id,
  how: 'and',
  outline,
  place: { from: 'middle', xMm, yMm },
});
/** A piece of an outline that is left out of those before it. */
export const leftOut = (id: string, outline: Piece['outline'], xMm: Amount = 0, yMm: Amount = 0): Piece => ({
  ...joined(id, outline, xMm, yMm),
  how: 'without',
});
export const offMiddle = (mm: Amount): Along => ({ relation: 'centred', mm });
/** Up from the bottom of the host. */
export const fromBottom: Along = { relation: 'inFrom', edge: 'low', mm: 0 };
export const share = (percent: Amount): Along => ({ relation: 'share', percent });
export { centredAlong, downFromTop, fromPlate, onTop };
