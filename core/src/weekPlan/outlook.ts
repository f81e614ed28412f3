import type { WeekBatch, WeekProblem } from './week.ts';

/** What becomes of the parts of a brief if all goes as planned. */
export interface BriefOutlook {
  /** Its id. */
  readonly brief: string;
  readonly parts: number;
  /** When the last of them is done; undefined if some are not planned. */
  readonly doneMs: number | undefined;
  readonly dueMs: number | undefined;
  /** How many are done too late, or not planned at all. */
  readonly late: number;
}

/** The outlook of each brief, those first that are in trouble, and then what is due first. */
export function outlookOf(problem: WeekProblem, batches: readonly WeekBatch[]): BriefOutlook[] {
  const ends = new Map(batches.flatMap(({ parts, toMs }) => parts.map((id): [string, number] => [id, toMs])));
  const briefs = new Map<
    string,
    { parts: number; doneMs: number; dueMs: number | undefined; late: number }
  >();
  for (const { id, brief, dueMs } of problem.parts) {
    const of = briefs.get(brief) ?? { parts: 0, doneMs: 0, dueMs, late: 0 };
    const end = ends.get(id) ?? Infinity;
    briefs.set(brief, {
      parts: of.parts + 1,
      doneMs: Math.max(of.doneMs, end),
      dueMs,
      late: of.late + (end > (dueMs ?? Number.MAX_VALUE) ? 1 : 0),
    });
  }
  return [...briefs]
    .map(([brief, { doneMs, ...of }]) => ({
      brief,
      ...of,
      doneMs: doneMs === Infinity ? undefined : doneMs,
    }))
    .sort((a, b) => Number(b.late > 0) - Number(a.late > 0) || (a.dueMs ?? Infinity) - (b.dueMs ?? Infinity));
}
