import type { BriefRules, CheckId, CheckResult, Finding, Inspection, LimitsCard } from '../inspect/index.ts';
import type { Box, SolidMesh } from '../mesh/index.ts';
import type { Recipe } from '../recipe/index.ts';

/** The part of a surface that a step made. */
export interface StepSurface {
  readonly areaMm2: number;
  readonly box: Box;
}

/** A recipe that was built and inspected. */
export interface Tried {
  readonly mesh: SolidMesh;
  readonly inspection: Inspection;
  /** What of the surface is that of each step, by its id; nothing of one that cannot be seen. */
  readonly surfaceOf: ReadonlyMap<string, StepSurface>;
}

/** A recipe that was built, and is inspected as far as it is asked for. */
export interface Trial extends Tried {
  check(id: CheckId): CheckResult;
}

/** A finding that shall be mended, with what is known of the part. */
export interface Trouble {
  readonly recipe: Recipe;
  readonly limits: LimitsCard;
  readonly brief?: BriefRules;
  readonly now: Tried;
  readonly check: CheckResult;
  readonly finding: Finding;
  /** Builds another recipe, to be inspected; undefined where it cannot be built. */
  tried(recipe: Recipe): Trial | undefined;
}

/** A change that might mend a finding. */
export interface Proposal {
  /** What is done, as one would tell somebody: "In step 2, make the diameter 2.2 mm". */
  readonly words: string;
  readonly recipe: Recipe;
  /**
   * What it asks of the one who made the part: 1 for a small change of one sentence, more for a larger one, for what
   * looks different and for what is added. Cheap changes are tried first; see {@link costOf} for what comes on top.
   */
  readonly cost: number;
}

/** A way of mending: one file that knows for which checks it may help and what it would change. */
export interface RemedyKind {
  readonly id: string;
  /** The checks whose findings it may mend. */
  readonly checks: readonly CheckId[];
  /**
   * Changes to try, the cheapest first; the first that works is offered, or as many as `most` says. Each `yield` answers
   * with the remedy that came of it, if it worked.
   */
  proposals(trouble: Trouble): Generator<Proposal, void, Remedy | undefined>;
  readonly most?: number;
}

/** A change that was tried and mends a finding without making anything else worse. */
export interface Remedy extends Proposal {
  readonly kind: string;
  readonly checkId: string;
  /** What else it changes: "Walls 0.6 → 1 mm", by whether that is for the better or for the worse. */
  readonly better: readonly string[];
  readonly worse: readonly string[];
  /** How many checks still fail with it. */
  readonly failsLeft: number;
}

/** Remedies with the one first that a teacher would choose first. */
export function ranked(remedies: readonly Remedy[]): Remedy[] {
  return [...remedies].sort((a, b) => Math.sign(a.failsLeft) - Math.sign(b.failsLeft) || a.cost - b.cost);
}
