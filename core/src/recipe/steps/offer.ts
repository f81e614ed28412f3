import { said } from '../../words/index.ts';
import type { FieldPath } from '../sentence.ts';

/** What a person wants to do to the part; steps are offered by it. */
export const wishes = said({
  shape: 'Make a shape',
  standOut: 'Make something stand out',
  hole: 'Make a hole or a hollow',
  hold: 'Make it good to hold',
  many: 'Make many of it',
  whole: 'Change all of it',
} as const);
export type Wish = keyof typeof wishes;

/** A sentence that begins: one way to add a step of a kind. */
export interface Offer<S> {
  /** Different from those of all other kinds. */
  readonly id: string;
  readonly label: string;
  readonly wish: Wish;
  /** Other words by which people look for it, with spaces between them. */
  readonly words: string;
  /** What such a step has otherwise than a new step of its kind. */
  set?(step: S): S;
  /** The choice of its sentence whose options are offered with it. */
  readonly variants?: FieldPath;
  /** Its variants are many, and those of another offer too: they are shown once they are looked for. */
  readonly isQuiet?: true;
  /** The variants that make no sense of this offer, by their ids. */
  readonly omits?: readonly string[];
  /** As the first step it would be on nothing, or cut nothing: a plate comes with it, which it may fill. */
  readonly plate?: 'under' | 'filled';
}
