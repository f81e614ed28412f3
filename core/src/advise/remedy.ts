import type { BriefRules, CheckId, CheckResult, Finding, Inspection, LimitsCard } from '../inspect/index.ts';
import type { SolidMesh } from '../mesh/index.ts';
import type { Recipe } from '../recipe/index.ts';

/** A recipe that was built and inspected. */
export interface Tried {
  readonly mesh: SolidMesh;
  readonly inspection: Inspection;
}

/** A finding that shall be mended, with what is known of the part. */
export interface Trouble {
  readonly recipe: Recipe;
  readonly limits: LimitsCard;
  readonly brief?: BriefRules;
  readonly now: Tried;
  readonly check: CheckResult;
  readonly finding: Finding;
  /** Builds and inspects another recipe; undefined where it cannot be built. */
  tried(recipe: Recipe): Tried | undefined;
}

/** A change that might mend a finding. */
export interface Proposal {
  /** What is done, as one would tell somebody: "In step 2, make the diameter 2.2 mm". */
  readonly words: string;
  readonly recipe: Recipe;
}

/** A way of mending: one file that knows for which checks it may help and what it would change. */
export interface RemedyKind {
  readonly id: string;
  /** The checks whose findings it may mend. */
  readonly checks: readonly CheckId[];
  /**
   * Changes to try, the best first; the first that works is offered, or as many as `most` says. Each `yield` answers
   * whether the change worked.
   */
  proposals(trouble: Trouble): Generator<Proposal, void, boolean>;
  readonly most?: number;
}

/** A change that was tried and mends a finding without making another check fail. */
export interface Remedy extends Proposal {
  readonly kind: string;
  readonly checkId: string;
  /** What else it changes: "Walls 0.6 → 1 mm", by whether that is for the better or for the worse. */
  readonly better: readonly string[];
  readonly worse: readonly string[];
  /** How many checks still fail with it. */
  readonly failsLeft: number;
}
