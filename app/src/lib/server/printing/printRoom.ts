import { asc, desc, eq, isNull } from 'drizzle-orm';
import { demandRole, type Person } from '../platform/auth/access.ts';
import type { Database } from '../platform/db/database.ts';
import { ACTIVE_RUN, filamentChanges, batches, printers, runs, spools } from '../platform/db/schema/index.ts';
import { coloursOfBatch } from '../../shared/batchColours.ts';
import { partsOf } from './batches/batchParts.ts';
import { waiversOf } from '../handIns/waivers.ts';

/** How many runs of all printers are looked back on. */
const MOST_PAST = 60;
/** And how many of each printer are shown. */
const MOST_SHOWN = 6;

/** Every printer with the run it has now and the ones before, newest first. */
export async function printersWithRuns(db: Database, person: Person) {
  demandRole(person, 'teacher', 'helper');
  const all = await db
    .select({ printer: printers, spool: spools, change: filamentChanges })
    .from(printers)
    .leftJoin(spools, eq(spools.id, printers.spoolId))
    .leftJoin(filamentChanges, eq(filamentChanges.printerId, printers.id))
    .where(isNull(printers.retiredAt))
    .orderBy(asc(printers.name));
  const recent = await db
    .select({
      id: runs.id,
      printerId: runs.printerId,
      batchId: runs.batchId,
      batch: batches.number,
      state: runs.state,
      progress: runs.progress,
      estimateS: runs.estimateS,
      estimate: batches.estimate,
      problem: runs.problem,
      fileName: runs.fileName,
      begunByHandAt: runs.begunByHandAt,
      doneByHandAt: runs.doneByHandAt,
      failedByHand: runs.failedByHand,
      askedAt: runs.askedAt,
      pausedFor: runs.pausedFor,
      wish: runs.wish,
      cancelAskedAt: runs.cancelAskedAt,
      startedAt: runs.startedAt,
      endedAt: runs.endedAt,
      sentAt: runs.sentAt,
      clearedAt: runs.clearedAt,
    })
    .from(runs)
    .innerJoin(batches, eq(batches.id, runs.batchId))
    .orderBy(desc(runs.startedAt))
    .limit(MOST_PAST);
  const parts = await partsOf(db, [...new Set(recent.map(({ batchId }) => batchId))]);
  const waived = await waiversOf(
    db,
    parts.map(({ handInId }) => handInId),
  );
  const onBatch = (batchId: string) =>
    parts
      .filter((part) => part.batchId === batchId)
      .map(({ entryId, handInId, name, student, outcome, estimate }) => ({
        grams: estimate.grams,
        entryId,
        handInId,
        name,
        student,
        outcome,
        waivers: waived.get(handInId) ?? [],
      }));
  return all.map(({ printer: { id, name, model, status, seenAt, connection, trend }, spool, change }) => {
    const own = recent
      .filter(({ printerId }) => printerId === id)
      .map(({ estimate, ...run }) => {
        const own = onBatch(run.batchId);
        // Until the batch is sliced, what its parts take one by one is near enough.
        return {
          ...run,
          parts: own,
          filaments: coloursOfBatch(parts.filter(({ batchId }) => batchId === run.batchId)).filaments,
          grams: estimate?.grams ?? own.reduce((sum, part) => sum + part.grams, 0),
        };
      });
    return {
      id,
      name,
      model,
      /** Whether a person carries files to it and says how its runs go, and onto which card they are written. */
      byHand: connection.way === 'card' ? { card: connection.card } : undefined,
      spool,
      /** The change of filament that is under way. */
      change,
      status,
      trend,
      /** When it answered last. */
      seenAt,
      run: own.find(({ state }) => isActive(state)),
      /** What was printed last and may still lie on the plate. */
      onPlate: own.find(
        ({ state, progress, sentAt, clearedAt }) => !isActive(state) && sentAt && progress > 0 && !clearedAt,
      ),
      past: own.filter(({ state }) => !isActive(state)).slice(0, MOST_SHOWN),
    };
  });
}

function isActive(state: string): boolean {
  return (ACTIVE_RUN as readonly string[]).includes(state);
}
