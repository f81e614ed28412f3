import { and, eq, isNotNull, sql } from 'drizzle-orm';
import { isUsable, type OutcomeKind } from '../../../shared/outcome.ts';
import { demandRole, type Person } from '../../platform/auth/access.ts';
import { entriesWithOwner } from '../../platform/auth/withOwner.ts';
import type { Database } from '../../platform/db/database.ts';
import {
  batches,
  batchParts,
  fieldOf,
  handIns,
  printers,
  queueEntries,
  runs,
} from '../../platform/db/schema/index.ts';
import { designedMm } from '../batches/batchParts.ts';

/** How many parts came out usable, of how many whose outcome was written down. */
export interface Success {
  readonly name: string;
  readonly usable: number;
  readonly all: number;
}

/** What the print room has done: what came out well and what did not, and what each printer has worked. */
export async function printFigures(db: Database, person: Person) {
  demandRole(person, 'teacher', 'helper');
  const [outcomes, worked] = await Promise.all([outcomesOf(db), workOf(db)]);
  const failures = new Map<OutcomeKind, number>();
  for (const { outcome } of outcomes) {
    if (!isUsable(outcome)) failures.set(outcome, (failures.get(outcome) ?? 0) + 1);
  }
  return {
    byVerdict: successBy(outcomes, ({ verdict }) => verdict ?? 'pass'),
    byPrinter: successBy(outcomes, ({ printer }) => printer),
    failures: [...failures].map(([outcome, parts]) => ({ outcome, parts })).sort((a, b) => b.parts - a.parts),
    worked: worked.map((work) => ({
      ...work,
      sizes: offSizes(outcomes.filter(({ printer }) => printer === work.printer)),
    })),
  };
}

/** Every part whose outcome is written down, with the verdict that it was approved with and the printer that it came from. */
async function outcomesOf(db: Database) {
  const rows = await entriesWithOwner(db, {
    outcome: batchParts.outcome,
    verdict: fieldOf<'pass' | 'warn' | 'fail' | null>(handIns.inspection, 'verdict'),
    printer: printers.name,
    measuredMm: batchParts.measuredMm,
    designedMm,
  })
    .innerJoin(batchParts, eq(batchParts.queueEntryId, queueEntries.id))
    .innerJoin(runs, and(eq(runs.batchId, batchParts.batchId), eq(runs.state, 'finished')))
    .innerJoin(printers, eq(printers.id, runs.printerId))
    .where(isNotNull(batchParts.outcome));
  return rows.map(({ outcome, ...row }) => ({ ...row, outcome: outcome! }));
}

/** The hours that each printer has printed, and the grams that its batches took. */
async function workOf(db: Database) {
  return db
    .select({
      printer: printers.name,
      runs: sql<number>`count(*)::int`,
      finished: sql<number>`(count(*) filter (where ${runs.state} = 'finished'))::int`,
      hours: sql<number>`coalesce(sum(extract(epoch from ${runs.endedAt} - ${runs.startedAt})) / 3600, 0)::float8`,
      grams: sql<number>`coalesce(sum((${fieldOf(batches.estimate, 'grams')})::float8 * ${runs.progress}), 0)::float8`,
    })
    .from(runs)
    .innerJoin(printers, eq(printers.id, runs.printerId))
    .innerJoin(batches, eq(batches.id, runs.batchId))
    .where(isNotNull(runs.endedAt))
    .groupBy(printers.name)
    .orderBy(printers.name);
}

function successBy<T extends { outcome: OutcomeKind }>(
  outcomes: readonly T[],
  nameOf: (one: T) => string,
): Success[] {
  const counts = new Map<string, { usable: number; all: number }>();
  for (const one of outcomes) {
    const count = counts.get(nameOf(one)) ?? { usable: 0, all: 0 };
    counts.set(nameOf(one), {
      usable: count.usable + (isUsable(one.outcome) ? 1 : 0),
      all: count.all + 1,
    });
  }
  return [...counts]
    .map(([name, count]) => ({ name, ...count }))
    .sort((a, b) => a.name.localeCompare(b.name));
}

/**
 * By how much a printer's parts are larger than they were designed, along the plate, where layers do not matter: the median
 * of what was measured, mm; undefined when nothing was.
 */
function offSizes(
  parts: readonly {
    readonly measuredMm: readonly number[] | null;
    readonly designedMm: readonly number[] | null;
  }[],
): { readonly medianMm: number; readonly count: number } | undefined {
  const offMm = parts
    .flatMap(({ measuredMm, designedMm }) =>
      designedMm ? (measuredMm ?? []).slice(0, 2).map((mm, axis) => mm - designedMm[axis]) : [],
    )
    .toSorted((a, b) => a - b);
  if (offMm.length === 0) return undefined;
  const middle = offMm.length >> 1;
  const medianMm = offMm.length % 2 === 1 ? offMm[middle] : (offMm[middle - 1] + offMm[middle]) / 2;
  return { medianMm, count: offMm.length };
}
