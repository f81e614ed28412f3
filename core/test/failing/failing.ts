import { stepOf } from '../evaluated.ts';
import type { BriefRules, CheckId } from '../../src/inspect/index.ts';
import type { Placement, Recipe, Step } from '../../src/recipe/index.ts';

/** A recipe with something that fails, and what an experienced teacher would change. */
export interface FailingRecipe {
  readonly name: string;
  readonly recipe: Recipe;
  readonly brief?: BriefRules;
  /** The check whose first failing finding is asked about. */
  readonly asked: CheckId;
  /** What a teacher would say, written down before anything was tried. */
  readonly teacher: string;
  /** How an offer that does just that is recognised by its words. */
  readonly says: RegExp;
  /** The bounds of the number that `says` catches. */
  readonly between?: readonly [number, number];
}

export const rectangle = (widthMm: number, depthMm: number) =>
  ({ shape: 'roundedRectangle', widthMm, depthMm, cornerMm: 0 }) as const;

type Fields<K extends Step['kind']> = Partial<Extract<Step, { kind: K }>>;

/** An upright slab from the plate, or from where it is placed. */
export const slab = (
  id: string,
  [widthMm, depthMm, mm]: readonly [number, number, number],
  placement?: Placement,
  more: Fields<'extrude'> = {},
): Step =>
  stepOf('extrude', id, undefined, {
    outline: rectangle(widthMm, depthMm),
    depth: { type: 'by', mm },
    ...(placement ? { placement } : {}),
    ...more,
  });

/** A round slab from the plate, or from where it is placed. */
export const disc = (id: string, diameterMm: number, mm: number, placement?: Placement): Step =>
  stepOf('extrude', id, undefined, {
    outline: { shape: 'circle', diameterMm },
    depth: { type: 'by', mm },
    ...(placement ? { placement } : {}),
  });

/** On the top of a step, in its middle where nothing else is said. */
export const onTop = (step: string, more: Partial<Placement> = {}): Placement => ({
  on: { step },
  x: { relation: 'centred' },
  y: { relation: 'centred' },
  z: { relation: 'beside', edge: 'high', overlapMm: 0 },
  ...more,
});

/** In a step, flush with its top, in its middle where nothing else is said. */
export const within = (step: string, more: Partial<Placement> = {}): Placement => ({
  on: { step },
  x: { relation: 'centred' },
  y: { relation: 'centred' },
  z: { relation: 'inFrom', edge: 'high', mm: 0 },
  ...more,
});

/** An opening from front to back through s1, standing on its foot. */
export const tunnel = (id: string, widthMm: number, heightMm: number, more: Fields<'extrude'> = {}): Step =>
  stepOf('extrude', id, 's1', {
    effect: 'cut',
    outline: rectangle(widthMm, heightMm),
    facing: 'front',
    depth: { type: 'through' },
    placement: within('s1', {
      y: { relation: 'inFrom', edge: 'low', mm: 0 },
      z: { relation: 'inFrom', edge: 'low', mm: 0 },
    }),
    ...more,
  });

/** Letters on the top of s1. */
export const letters = (
  words: string,
  tallMm: number,
  more: Fields<'letters'> = {},
  lettering: Partial<Extract<Step, { kind: 'letters' }>['lettering']> = {},
): Step =>
  stepOf('letters', 's2', 's1', {
    lettering: { words, font: 'sturdy', size: { by: 'height', mm: tallMm }, ...lettering },
    ...more,
  });
