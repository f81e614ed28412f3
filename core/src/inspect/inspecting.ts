import { setDown, type SolidMesh } from '../mesh/index.ts';
import { checks, type CheckId } from './checks/index.ts';
import type { AboutPart } from './measure/aboutPart.ts';
import type { BriefRules } from './requirements/briefRules.ts';
import { subjectOf, type Subject } from './measure/subject.ts';
import type { CheckResult, Inspection } from './result/inspection.ts';
import type { LimitsCard } from './card/limits.ts';
import { worst } from './result/verdict.ts';
import { held, heldChecks, mayBeHeld } from './held.ts';

/** What an inspection is told beyond the surface and the card; checks of what is not known measure nothing. */
export interface InspectionContext extends AboutPart {
  readonly brief?: BriefRules;
}

/**
 * An inspection that is made as far as it is asked for: what one check says is known without the others, and what was
 * measured for it is not measured again.
 */
export class Inspecting {
  readonly #subject: Subject;
  readonly #limits: LimitsCard;
  readonly #brief: BriefRules;
  readonly #results = new Map<CheckId, CheckResult>();

  /** @param mesh a closed solid; it is set down on z = 0 */
  constructor(mesh: SolidMesh, limits: LimitsCard, { brief = {}, ...about }: InspectionContext = {}) {
    this.#subject = subjectOf(setDown(mesh), about);
    this.#limits = limits;
    this.#brief = brief;
  }

  /** What one check says. */
  check(id: CheckId): CheckResult {
    let result = this.#results.get(id);
    if (!result) {
      const { title, inspect } = checks.find((each) => each.id === id)!;
      const found = { id, title, ...inspect(this.#subject, this.#limits, this.#brief) };
      result = heldChecks.includes(id) && mayBeHeld(this.#limits, this.#brief) ? held(found) : found;
      this.#results.set(id, result);
    }
    return result;
  }

  /** What all checks say. */
  whole(): Inspection {
    // Where nothing may be held there is nothing to say of supports.
    const asked = checks.filter(({ id }) => id !== 'supports' || mayBeHeld(this.#limits, this.#brief));
    const results = asked.map(({ id }) => this.check(id));
    return {
      verdict: worst(results.map(({ verdict }) => verdict)),
      part: this.#subject.facts,
      checks: results,
    };
  }
}
