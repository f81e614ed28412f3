import type { Recipe } from '../recipe.ts';
import {
  createStep,
  followingChange,
  offersOf,
  sentenceOf,
  stepKinds,
  type Offer,
  type Step,
  type Wish,
} from '../steps/index.ts';

/** One of several things that a step can be begun with: the heart of "Extrude a heart". */
export interface Variant {
  readonly id: string;
  readonly label: string;
  readonly words: string;
}

/** A way to add a step, as it is offered. */
export interface StepOffer {
  readonly id: string;
  readonly kind: Step['kind'];
  readonly label: string;
  readonly wish: Wish;
  /** Other words by which people look for it, with spaces between them. */
  readonly words: string;
  readonly variants: readonly Variant[];
  /** Whether its variants are shown only once they are looked for. */
  readonly isQuiet: boolean;
  /** Whether it is the usual way to begin a step of its kind. */
  readonly isUsual: boolean;
}

/** Everything that can be added to a recipe as it is, the usual first. */
export function stepOffers(recipe: Recipe): StepOffer[] {
  return stepKinds.flatMap(({ kind }) =>
    offersOf(kind).map((offer, i) => {
      const { id, label, wish, words } = offer;
      const options = optionsOf(offer, begun(kind, offer, 'new'), recipe);
      const variants = options.map((each) => ({
        id: variantId(each.value),
        label: each.label,
        words: each.words ?? '',
      }));
      return { id, kind, label, wish, words, variants, isQuiet: offer.isQuiet === true, isUsual: i === 0 };
    }),
  );
}

/** A step that was begun as an offer says, on another step if there is one. */
export function begun(kind: Step['kind'], offer: Offer<Step>, id: string, on?: string): Step {
  const created = createStep(kind, id, on);
  return offer.set ? followingChange(offer.set(created), created) : created;
}

/** The options of the choice that an offer's variants are, in the sentence that a step has at the end of a recipe. */
export function optionsOf({ variants, omits = [] }: Offer<Step>, step: Step, recipe: Recipe) {
  if (!variants) return [];
  const steps = [...recipe.steps, step];
  const key = JSON.stringify(variants);
  const token = sentenceOf(step, { recipe: { ...recipe, steps }, index: steps.length - 1 }).find(
    (each) => each.type === 'choice' && JSON.stringify(each.path) === key,
  );
  const options = token?.type === 'choice' ? token.options : [];
  return options.filter(({ value }) => !omits.includes(variantId(value)));
}

/** What tells one value of a choice from another: the value itself, or the word by which its form is known. */
export function variantId(value: unknown): string {
  if (typeof value === 'string') return value;
  const { shape, type, by } = value as { shape?: string; type?: string; by?: string };
  return (shape ?? type ?? by)!;
}
