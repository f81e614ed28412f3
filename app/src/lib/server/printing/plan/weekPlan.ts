import { outlookOf, type WeekBatch } from '@kelbrin/core/weekPlan';
import { firstColour } from '../../../shared/batchColours.ts';
import type { PlannedBatchView, PlanReason, WeekView } from '../../../shared/weekView.ts';
import { demandRole, type Person } from '../../platform/auth/access.ts';
import { compute } from '../../platform/compute/compute.ts';
import type { Database } from '../../platform/db/database.ts';
import { weekOf, type Week } from './weekProblem.ts';

/** The plan of the coming days for all printers together, with why each batch is where it is. */
export async function planOfWeek(db: Database, person: Person, now = new Date()): Promise<WeekView> {
  demandRole(person, 'teacher', 'helper');
  const week = await weekOf(db, now);
  const { problem, lanes, waiting } = week;
  const batches = await batchesOf(week);
  const briefs = new Map([...waiting.values()].map((part) => [part.briefId, part]));
  const planned = batches.reduce((sum, { parts }) => sum + parts.length, 0);
  return {
    nowMs: problem.nowMs,
    lanes,
    attended: problem.attended.map(({ fromMs, toMs }) => ({ fromMs, toMs })),
    batches: batches.map((batch) => shown(batch, week)),
    outlook: outlookOf(problem, batches).map((outlook) => {
      const { brief: title, className } = briefs.get(outlook.brief)!;
      return { ...outlook, title, className };
    }),
    notPlanned: problem.parts.length - planned,
  };
}

/** The batches of a week; the search is asked for in a worker, and asked again for the same week it is not repeated. */
export function batchesOf({ problem }: Week): Promise<readonly WeekBatch[]> {
  return compute().run<'planWeek'>({ kind: 'planWeek', problem });
}

function shown(batch: WeekBatch, { problem, waiting }: Week): PlannedBatchView {
  const parts = batch.parts.map((id) => waiting.get(id)!);
  const dues = parts.flatMap(({ dueOn }) => dueOn ?? []).toSorted();
  const ids = new Set(batch.parts);
  return {
    pin: batch.pinned,
    printer: batch.printer,
    fromMs: batch.fromMs,
    toMs: batch.toMs,
    parts: parts.map(({ id, student, handInId }) => ({ id, student, handInId })),
    briefs: [...new Set(parts.map(({ brief }) => brief))],
    material: parts[0].limits.material,
    colour: firstColour(parts[0].colours),
    grams: batch.grams,
    isOvernight: batch.isOvernight,
    reasons: reasonsOf(batch, dues.length > 0),
    dueOn: dues[0],
    savesStarts: parts.length - 1,
    isLate: problem.parts.some(({ id, dueMs }) => ids.has(id) && dueMs !== undefined && batch.toMs > dueMs),
  };
}

function reasonsOf({ pinned, changesFilament, isOvernight }: WeekBatch, isDue: boolean): PlanReason[] {
  return [
    ...(pinned === undefined ? [] : (['byHand'] as const)),
    ...(isDue ? (['due'] as const) : []),
    changesFilament ? 'change' : 'loaded',
    ...(isOvernight ? (['overnight'] as const) : []),
  ];
}
