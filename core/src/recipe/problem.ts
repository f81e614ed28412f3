import type { DrawnPieces } from './outlines/pieces/laidPiece.ts';
import { say } from '../words/index.ts';

/** Where in a recipe something is wrong, and one sentence that says what. */
export interface Problem {
  /** The step it concerns, if it concerns one. */
  readonly stepId?: string;
  /** The field of that step, as keys from the step inwards (`['outline', 'widthMm']`). */
  readonly path?: readonly (string | number)[];
  /** The measure it concerns, if it concerns one. */
  readonly measure?: string;
  /** Where on the drawn outline it is, mm, if it is about one. */
  readonly at?: readonly [number, number];
  /** The pieces of the outline that cannot be put together, where they lie. */
  readonly pieces?: DrawnPieces;
  readonly message: string;
}

/** Thrown by the evaluation of a recipe that is well formed but cannot be built; carries the {@link Problem}. */
export class RecipeError extends Error {
  constructor(readonly problem: Problem) {
    super(problem.message);
    this.name = 'RecipeError';
  }
}

/**
 * The error of a step, which the sentence names by its number.
 *
 * @param index where the step is in its recipe, from 0
 * @param message what is wrong, in a sentence
 * @param where the field of the step, and the place on its drawn outline, if it is about one
 */
export function errorInStep(
  stepId: string,
  index: number,
  message: string,
  { path = [], at }: Pick<Problem, 'path' | 'at'> = {},
): RecipeError {
  const words = say('Step {number}: {message}', { number: index + 1, message });
  return new RecipeError({ stepId, path, message: words, ...(at && { at }) });
}
