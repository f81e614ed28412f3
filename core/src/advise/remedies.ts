import { isWorse, type CheckResult, type Finding, type Inspection } from '../inspect/index.ts';
import { compared } from './compared.ts';
import { bolderFont } from './kinds/bolderFont.ts';
import { chamferUnder } from './kinds/chamferUnder.ts';
import { fitObject } from './kinds/fitObject.ts';
import { foot } from './kinds/foot.ts';
import { inFreePlace } from './kinds/inFreePlace.ts';
import { leanLess } from './kinds/leanLess.ts';
import { otherFace } from './kinds/otherFace.ts';
import { otherNumber } from './kinds/otherNumber.ts';
import { roundCorners } from './kinds/roundCorners.ts';
import { scaleToFit } from './kinds/scaleToFit.ts';
import { support } from './kinds/support.ts';
import { trimToBase } from './kinds/trimToBase.ts';
import { turnOnPlate } from './kinds/turnOnPlate.ts';
import type { Remedy, RemedyKind, Trouble } from './remedy.ts';

/** Every way of mending, in the order in which they are tried. A new one is a file in `kinds` and its name here. */
export const remedyKinds: readonly RemedyKind[] = [
  otherNumber,
  fitObject,
  bolderFont,
  inFreePlace,
  leanLess,
  chamferUnder,
  support,
  roundCorners,
  trimToBase,
  turnOnPlate,
  otherFace,
  foot,
  scaleToFit,
];

/** No more than so many remedies are offered for one finding. */
const MOST_OFFERED = 4;

/**
 * Finds changes of a recipe that mend a finding. Each is built and inspected before it is offered: it must make the
 * finding pass, and no other check fail that did not fail before. One at a time, so that a host can stop in between;
 * what was tried and does not help is handed out as nothing.
 */
export function* remediesFor(
  trouble: Trouble,
  kinds: readonly RemedyKind[] = remedyKinds,
): Generator<Remedy | undefined> {
  const { now, check, finding } = trouble;
  let offered = 0;
  for (const kind of kinds) {
    if (!kind.checks.some((id) => id === check.id)) continue;
    const proposals = kind.proposals(trouble);
    let left = kind.most ?? 1;
    for (let next = proposals.next(); !next.done && left > 0;) {
      const proposal = next.value;
      const then = trouble.tried(proposal.recipe)?.inspection;
      const works = then !== undefined && mends(then, check, finding) && !harms(now.inspection, then);
      if (works) {
        const failsLeft = then.checks.filter(({ verdict }) => verdict === 'fail').length;
        yield { ...proposal, ...compared(now.inspection, then), failsLeft, kind: kind.id, checkId: check.id };
        if (++offered === MOST_OFFERED) return;
        left--;
      } else yield undefined;
      next = proposals.next(works);
    }
  }
}

/** Whether nothing of a check is as bad any more because of the same steps. */
function mends(
  { checks }: Inspection,
  { id }: CheckResult,
  { steps, unit, verdict, requirement }: Finding,
): boolean {
  const after = checks.find((each) => each.id === id);
  const isSame = (other: Finding) =>
    !isWorse(verdict, other.verdict) &&
    other.unit === unit &&
    other.requirement === requirement &&
    (steps.length === 0 || other.steps.some((step) => steps.includes(step)));
  return after !== undefined && !after.findings.some(isSame);
}

/** Whether a check fails that did not, or more of its places do. */
function harms(before: Inspection, after: Inspection): boolean {
  const failing = ({ findings }: CheckResult) => findings.filter(({ verdict }) => verdict === 'fail').length;
  return after.checks.some((check) => {
    const was = before.checks.find(({ id }) => id === check.id);
    return check.verdict === 'fail' && (was?.verdict !== 'fail' || failing(check) > failing(was));
  });
}
