import type { Vec3 } from '../../mesh/index.ts';
import type { Token } from '../../recipe/index.ts';
import type { PrintNeeds } from '../measure/aboutPart.ts';
import type { Finding } from '../result/inspection.ts';
import type { LimitsCard } from '../card/limits.ts';
import type { Subject } from '../measure/subject.ts';

/** How a part stands against one requirement. */
export interface Answer {
  readonly isMet: boolean;
  readonly measured: number;
  /** What it is held against, where one figure says that. */
  readonly limit?: number;
  readonly unit: Finding['unit'];
  /** What there is on the part, as the end of a sentence: "the widest is Ø 3 mm". Nothing where that is said already. */
  readonly said?: string;
  /** Where that is; the middle of the part when there is no place for it. */
  readonly at?: Vec3;
  readonly triangles?: readonly number[];
}

/**
 * A kind of requirement that a brief can make: one file that says how it reads and how a part is held against it.
 * Screens and the check know kinds by this interface alone. A kind looks at the part or at what printing it takes.
 */
export interface RequirementKind<R extends { kind: string }> {
  readonly kind: R['kind'];
  /** What it is called where a requirement is added: "A hole". */
  readonly label: string;
  create(): R;
  /** What the part does, without the part: "has a hole of at least Ø 4 mm". */
  sentence(requirement: R): Token[];
  /** Undefined where the part does not tell, as a bare mesh does not tell its letters. */
  ofPart?(requirement: R, subject: Subject, limits: LimitsCard): Answer | undefined;
  ofPrint?(requirement: R, print: PrintNeeds): Answer;
}
