import { compared } from './compared.ts';
import type { Proposal, Remedy, RemedyKind, Trouble } from './remedy.ts';
import { costOf, harms, mends, takesAway } from './worth.ts';

/** What one search may take. */
export interface SearchBounds {
  /** So many changes are tried at most. */
  readonly tries: number;
  /** It ends where so many are found that cost less than whatever is left to try. */
  readonly enough: number;
}

/** A way of mending with the change that it would try next. */
interface Open {
  readonly kind: RemedyKind;
  readonly proposals: Generator<Proposal, void, Remedy | undefined>;
  next: Proposal | undefined;
  left: number;
}

/**
 * Finds single changes that mend a finding, the cheapest of all kinds tried first. Each is built and inspected: the
 * finding must be gone, nothing else may be worse, and nothing of the part may be lost. What was tried and does not help
 * is handed out as nothing, so that a host can stop in between.
 */
export function* singleRemedies(
  trouble: Trouble,
  kinds: readonly RemedyKind[],
  { tries, enough }: SearchBounds,
): Generator<Remedy | undefined> {
  const found: number[] = [];
  const open = kinds
    .filter(({ checks }) => checks.some((id) => id === trouble.check.id))
    .map((kind): Open => {
      const proposals = kind.proposals(trouble);
      return { kind, proposals, next: taken(proposals.next()), left: kind.most ?? 1 };
    });
  for (let tried = 0; tried < tries; tried++) {
    const cheapest = open
      .filter(({ next, left }) => next !== undefined && left > 0)
      .reduce<Open | undefined>(
        (best, each) => (best && best.next!.cost <= each.next!.cost ? best : each),
        undefined,
      );
    if (!cheapest) return;
    const proposal = cheapest.next!;
    if (found.filter((cost) => cost <= proposal.cost).length >= enough) return;
    const remedy = tryOut(proposal, cheapest.kind.id, trouble);
    if (remedy) {
      found.push(remedy.cost);
      cheapest.left--;
    }
    yield remedy;
    cheapest.next = taken(cheapest.proposals.next(remedy));
  }
}

const taken = (step: IteratorResult<Proposal, void>) => (step.done ? undefined : step.value);

/** The remedy that a change is, if it mends and harms nothing. The check that found something is asked first. */
function tryOut(proposal: Proposal, kind: string, trouble: Trouble): Remedy | undefined {
  const { now, check, finding, recipe } = trouble;
  const then = trouble.tried(proposal.recipe);
  if (!then || !mends(check, then.check(check.id as never), finding)) return undefined;
  if (harms(now.inspection, then.inspection) || takesAway(now, then, recipe, proposal.recipe))
    return undefined;
  return {
    ...proposal,
    ...compared(now.inspection, then.inspection),
    cost: costOf(proposal.cost, now.inspection, then.inspection),
    failsLeft: then.inspection.checks.filter(({ verdict }) => verdict === 'fail').length,
    kind,
    checkId: check.id,
  };
}
