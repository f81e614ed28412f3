import { and, eq, isNotNull, sql } from 'drizzle-orm';
import { isUsable, type OutcomeKind } from '../../shared/outcome.ts';
import { demandRole, type Person } from '../auth/access.ts';
import type { Database } from '../db/database.ts';
import { handIns, plateParts, plates, printers, printFiles, queueEntries, runs } from '../db/schema/index.ts';

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
    worked,
  };
}

/** Every part whose outcome is written down, with the verdict that it was approved with and the printer that it came from. */
async function outcomesOf(db: Database) {
  const rows = await db
    .select({
      outcome: plateParts.outcome,
      verdict: sql<'pass' | 'warn' | 'fail' | null>`${handIns.inspection} ->> 'verdict'`,
      printer: printers.name,
    })
    .from(plateParts)
    .innerJoin(queueEntries, eq(queueEntries.id, plateParts.queueEntryId))
    .innerJoin(printFiles, eq(printFiles.id, queueEntries.printFileId))
    .innerJoin(handIns, eq(handIns.id, printFiles.handInId))
    .innerJoin(runs, and(eq(runs.plateId, plateParts.plateId), eq(runs.state, 'finished')))
    .innerJoin(printers, eq(printers.id, runs.printerId))
    .where(isNotNull(plateParts.outcome));
  return rows.map(({ outcome, ...row }) => ({ ...row, outcome: outcome! }));
}

/** The hours that each printer has printed, and the grams that its plates took. */
async function workOf(db: Database) {
  return db
    .select({
      printer: printers.name,
      runs: sql<number>`count(*)::int`,
      finished: sql<number>`(count(*) filter (where ${runs.state} = 'finished'))::int`,
      hours: sql<number>`coalesce(sum(extract(epoch from ${runs.endedAt} - ${runs.startedAt})) / 3600, 0)::float8`,
      grams: sql<number>`coalesce(sum((${plates.estimate} ->> 'grams')::float8 * ${runs.progress}), 0)::float8`,
    })
    .from(runs)
    .innerJoin(printers, eq(printers.id, runs.printerId))
    .innerJoin(plates, eq(plates.id, runs.plateId))
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
