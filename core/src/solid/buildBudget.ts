import { locale, say } from '../words/index.ts';

/**
 * How much one recipe may come to. Each bound is far above what a printable part needs, and low enough that a browser
 * and the server can both build whatever stays within it.
 */
export interface BuildBudget {
  /** Copies that all repeats make together. */
  readonly copies: number;
  /** Triangles of the part after any step, and of what one step brings to it. */
  readonly triangles: number;
  /** How long building may take, ms. It is looked at after each step, and after each few bodies of a step. */
  readonly ms: number;
}

/** The budget of every recipe, on the bench and on the server alike. */
export const buildBudget: BuildBudget = { copies: 2_000, triangles: 300_000, ms: 10_000 };

const grouped = (count: number) => count.toLocaleString(locale());

/** What to say at a step by which a recipe comes to too many copies; undefined while it does not. */
export function tooManyCopies(copies: number, budget: BuildBudget): string | undefined {
  if (copies <= budget.copies) return undefined;
  return say('That makes {copies} copies in all; a part can have {most}. Lower one of the numbers.', {
    copies: grouped(copies),
    most: grouped(budget.copies),
  });
}

/** What to say at a step that comes to too many triangles; undefined for one that does not. */
export function tooManyTriangles(triangles: number, budget: BuildBudget): string | undefined {
  if (triangles <= budget.triangles) return undefined;
  return say(
    'That comes to {triangles} triangles; a part can have {most}. Use fewer copies, or a plainer shape.',
    { triangles: grouped(triangles), most: grouped(budget.triangles) },
  );
}

/** What to say at a step after which building has taken too long; undefined while it has not. */
export function tookTooLong(ms: number, budget: BuildBudget): string | undefined {
  if (ms <= budget.ms) return undefined;
  return say('Building the part up to here takes longer than {ms} s. Use fewer copies, or a plainer shape.', {
    ms: budget.ms / 1000,
  });
}
