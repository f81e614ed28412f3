import { setDown, type HangingFaces, type SolidMesh } from '../mesh/index.ts';
import { checks, type CheckId } from './checks/index.ts';
import type { AboutPart } from './measure/aboutPart.ts';
import type { BriefRules } from './requirements/briefRules.ts';
import { subjectOf, type Subject } from './measure/subject.ts';
import type { CheckResult, Inspection } from './result/inspection.ts';
import type { LimitsCard } from './card/limits.ts';
import { worst } from './result/verdict.ts';
import { held, heldChecks, mayBeHeld } from './held.ts';
import { asMarked, markedFaces, type MarkedFaces, type SupportMark } from './supportMarks.ts';

/** What an inspection is told beyond the surface and the card; checks of what is not known measure nothing. */
export interface InspectionContext extends AboutPart {
  readonly brief?: BriefRules;
  /** The faces that supports are to keep away from, or to hold. */
  readonly supportMarks?: readonly SupportMark[];
}

/** How far an inspection has come. */
export interface Progress {
  /** The check that comes next, as it is called on screen. */
  readonly title: string;
  readonly done: number;
  readonly of: number;
}

/** What begins in mid-air stands by itself once it has grown so high, mm. */
const BEGINNING_MM = 1;

/**
 * An inspection that is made as far as it is asked for: what one check says is known without the others, and what was
 * measured for it is not measured again.
 */
export class Inspecting {
  readonly #subject: Subject;
  readonly #limits: LimitsCard;
  readonly #brief: BriefRules;
  readonly #supportMarks: readonly SupportMark[];
  #markedFaces: MarkedFaces | undefined;
  /** What each check says as if nothing were held. */
  readonly #found = new Map<CheckId, CheckResult>();

  /** @param mesh a closed solid; it is set down on z = 0 */
  constructor(
    mesh: SolidMesh,
    limits: LimitsCard,
    { brief = {}, supportMarks = [], ...about }: InspectionContext = {},
  ) {
    this.#subject = subjectOf(setDown(mesh), about);
    this.#limits = limits;
    this.#brief = brief;
    this.#supportMarks = supportMarks;
  }

  /** What one check says. */
  check(id: CheckId): CheckResult {
    const found = this.#check(id);
    return heldChecks.includes(id) && this.#mayBeHeld ? held(found, this.#marked.free) : found;
  }

  /**
   * The faces that have to be held while the part is printed, since they lean out too far, begin in mid-air or span more
   * than a bridge may, or since somebody marked them; without those that are to be kept free.
   */
  facesToHold(): HangingFaces[] {
    return asMarked(this.#hanging(), this.#marked);
  }

  /** What hangs, whatever somebody marked. */
  #hanging(): HangingFaces[] {
    const failing = (id: 'overhang' | 'bridge' | 'island') =>
      this.#check(id).findings.filter(({ verdict }) => verdict === 'fail');
    return [
      ...[...failing('overhang'), ...failing('bridge')].map(({ triangles }) => ({ faces: triangles })),
      ...failing('island').map(({ triangles, measured }) => ({
        faces: triangles,
        toMm: measured + BEGINNING_MM,
      })),
    ];
  }

  /** Those of them that supports hold, as far as card and brief let a part be held. */
  heldFaces(): HangingFaces[] {
    return this.#mayBeHeld ? this.facesToHold() : [];
  }

  /** All checks, one at a time, so that a host can tell how far it is and stop in between. */
  *inSteps(): Generator<Progress, Inspection> {
    for (const [done, { id, title }] of checks.entries()) {
      yield { title, done, of: checks.length };
      this.#check(id);
    }
    return this.whole();
  }

  /** What all checks say. */
  whole(): Inspection {
    // Where nothing may be held there is nothing to say of supports.
    const asked = checks.filter(({ id }) => id !== 'supports' || this.#mayBeHeld);
    const results = asked.map(({ id }) => this.check(id));
    return {
      verdict: worst(results.map(({ verdict }) => verdict)),
      part: this.#subject.facts,
      checks: results,
    };
  }

  get #marked(): MarkedFaces {
    return (this.#markedFaces ??= markedFaces(this.#subject.mesh, this.#supportMarks));
  }

  get #mayBeHeld(): boolean {
    return mayBeHeld(this.#limits, this.#brief);
  }

  #check<Id extends CheckId>(id: Id): CheckResult & { readonly id: Id } {
    let found = this.#found.get(id);
    if (!found) {
      const { title, inspect } = checks.find((each) => each.id === id)!;
      this.#found.set(id, (found = { id, title, ...inspect(this.#subject, this.#limits, this.#brief) }));
    }
    return found as CheckResult & { readonly id: Id };
  }
}
