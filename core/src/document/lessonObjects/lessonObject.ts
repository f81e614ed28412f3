import type { Recipe } from '../../recipe/index.ts';

/** Something that a lesson makes, for the cookbook. */
export interface LessonObject {
  readonly title: string;
  /** What it is for, in a sentence. */
  readonly purpose: string;
  readonly recipe: Recipe;
  /** What making it teaches, a sentence each. */
  readonly teaches: readonly string[];
  /** The sizes of a family that is made of it, a row for each part, if it is one. */
  readonly family?: { readonly measures: readonly string[]; readonly rows: readonly (readonly number[])[] };
}
