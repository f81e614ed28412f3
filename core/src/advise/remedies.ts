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
import { slopingTop } from './kinds/slopingTop.ts';
import { support } from './kinds/support.ts';
import { trimToBase } from './kinds/trimToBase.ts';
import { turnOnPlate } from './kinds/turnOnPlate.ts';
import { failingFindings } from './failingFindings.ts';
import { ranked, type Remedy, type RemedyKind, type Trouble } from './remedy.ts';
import { singleRemedies, type SearchBounds } from './single.ts';
import { together } from './together.ts';

/** Every way of mending. A new one is a file in `kinds` and its name here; which is tried first, its costs say. */
export const remedyKinds: readonly RemedyKind[] = [
  otherNumber,
  fitObject,
  bolderFont,
  inFreePlace,
  leanLess,
  chamferUnder,
  slopingTop,
  support,
  roundCorners,
  trimToBase,
  turnOnPlate,
  otherFace,
  foot,
  scaleToFit,
];

const BOUNDS: SearchBounds = { tries: 40, enough: 4 };
/** So many of the single changes are made whole where something else fails as well. */
const MOST_SETS = 2;

/**
 * Finds changes of a recipe that mend a finding, in the order in which they are found; {@link ranked} puts first what a
 * teacher would choose. Where more than this fails and no single change mends all, sets of changes are looked for after
 * which nothing fails. What was tried and does not help is handed out as nothing, so that a host can stop in between.
 */
export function* remediesFor(
  trouble: Trouble,
  kinds: readonly RemedyKind[] = remedyKinds,
): Generator<Remedy | undefined> {
  const found: Remedy[] = [];
  for (const remedy of singleRemedies(trouble, kinds, BOUNDS)) {
    if (remedy) found.push(remedy);
    yield remedy;
  }
  const isAllMended = found.some(({ failsLeft }) => failsLeft === 0);
  if (isAllMended || failingFindings(trouble.now.inspection).length < 2) return;
  for (const first of ranked(found).slice(0, MOST_SETS)) yield* together(trouble, first, remedyKinds);
}
