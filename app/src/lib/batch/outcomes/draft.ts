import { formatNumber } from '@kelbrin/core/recipe';
import type { BatchPart } from '$lib/server/printing/batches/batchParts';
import type { AfterFailure, OutcomeKind } from '$lib/shared/outcome';

/** What is being written down of a part, as it stands in its fields. */
export interface Draft {
  readonly outcome: OutcomeKind | '';
  readonly note: string;
  readonly next: AfterFailure;
  readonly measured: string;
}

/** What stands in the fields of a part before anything is typed: a part is good unless somebody says otherwise. */
export function draftOf(part: BatchPart): Draft {
  return {
    outcome: part.outcome ?? 'good',
    note: part.outcomeNote,
    next: 'again',
    measured: part.measuredMm ? writtenSizes(part.measuredMm) : '',
  };
}

/** What the server is sent of a part. */
export function sentDraft(entry: string, { outcome, note, next, measured }: Draft, isCorrection: boolean) {
  return { entry, outcome, note, next, measuredMm: measured, isCorrection };
}

/** Sizes as they are read, to a tenth of a millimetre. */
export function writtenSizes(mm: readonly number[]): string {
  return mm.map((each) => formatNumber(Math.round(each * 10) / 10)).join(' × ');
}
