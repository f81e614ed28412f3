import { setDown, type SolidMesh } from '../mesh/index.ts';
import { checks, type CheckId } from './checks/index.ts';
import type { InspectionContext } from './inspecting.ts';
import { subjectOf, type Figure } from './measure/subject.ts';
import type { LimitsCard } from './card/limits.ts';
import type { CheckResult } from './result/inspection.ts';
import { placeDrawing } from './placeDrawing.ts';

/** One check, with how it came to its result. */
export interface Explanation {
  readonly result: CheckResult;
  /** What was worked out on the way, in the order in which it was ready. */
  readonly figures: readonly Figure[];
  /** For each finding, the section of the part at its height with the place in it, as an SVG image. */
  readonly drawings: readonly string[];
}

/**
 * Makes one check alone and follows it, for those who want to know why it says what it says.
 *
 * @param mesh a closed solid; it is set down on z = 0
 * @param id the check
 */
export function explainCheck(
  mesh: SolidMesh,
  limits: LimitsCard,
  { brief = {}, ...about }: InspectionContext,
  id: CheckId,
): Explanation {
  const figures: Figure[] = [];
  const down = setDown(mesh);
  const check = checks.find((each) => each.id === id)!;
  const found = check.inspect(
    subjectOf(down, about, (figure) => figures.push(figure)),
    limits,
    brief,
  );
  const result = { id, title: check.title, ...found };
  return { result, figures, drawings: result.findings.map((finding) => placeDrawing(down, finding)) };
}
