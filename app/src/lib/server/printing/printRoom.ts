import { and, asc, desc, eq, gt, inArray, isNotNull, isNull, or, sql } from 'drizzle-orm';
import type { Connection } from '../../shared/connection.ts';
import { demandRole, type Person } from '../platform/auth/access.ts';
import type { Database } from '../platform/db/database.ts';
import {
  ACTIVE_RUN,
  filamentChanges,
  batches,
  machineSheets,
  printers,
  runs,
  spools,
} from '../platform/db/schema/index.ts';
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
  const all = await usedPrinters(db);
  const recent = await db
    .select({
      id: runs.id,
      printerId: runs.printerId,
      batchId: runs.batchId,
      batch: batches.number,
      state: runs.state,
      prepared: runs.prepared,
      progress: runs.progress,
      /** Of layers, how many there are and how many are begun, where that is known. */
      layers: sql<number | null>`cardinality(${runs.layerStarts})`,
      layersBegun: sql<number>`(select count(*)::int from unnest(${runs.layerStarts}) as start where start <= ${runs.progress})`,
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
  return all.map(({ printer, places, change }) => {
    const { id, name, model, status, seenAt, connection, trend, hotSince, hotToldAt } = printer;
    const own = recent
      .filter(({ printerId }) => printerId === id)
      .map(({ estimate, layers, layersBegun, ...run }) => {
        const own = onBatch(run.batchId);
        // Until the batch is sliced, what its parts take one by one is near enough.
        return {
          ...run,
          // Where a person says how it goes, what is done is an estimate.
          layer: connection.way === 'card' || !layers ? undefined : { at: layersBegun, of: layers },
          parts: own,
          filaments: coloursOfBatch(parts.filter(({ batchId }) => batchId === run.batchId)).filaments,
          grams: estimate?.grams ?? own.reduce((sum, part) => sum + part.grams, 0),
        };
      });
    return {
      id,
      name,
      model,
      byHand: byHandOf(connection),
      spool: places[0],
      places,
      /** The change of filament that is under way. */
      change,
      status,
      trend,
      /** Since when it is hot with nothing to print, once that is told. */
      hotSince: hotToldAt && hotSince,
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

/** Every printer as it is now, without what it did before: whoever starts a print needs no more. */
export async function printersNow(db: Database, person: Person) {
  demandRole(person, 'teacher', 'helper');
  const isOnPlate = and(isNotNull(runs.sentAt), gt(runs.progress, 0), isNull(runs.clearedAt));
  const [all, newest] = await Promise.all([
    usedPrinters(db),
    db
      .select({
        printerId: runs.printerId,
        batchId: runs.batchId,
        batch: batches.number,
        state: runs.state,
      })
      .from(runs)
      .innerJoin(batches, eq(batches.id, runs.batchId))
      .where(or(inArray(runs.state, ACTIVE_RUN), isOnPlate))
      .orderBy(desc(runs.startedAt)),
  ]);
  return all.map(({ printer: { id, name, status, connection }, places, change }) => {
    const own = newest.filter(({ printerId }) => printerId === id);
    const run = own.find(({ state }) => isActive(state));
    const onPlate = own.find(({ state }) => !isActive(state));
    return {
      id,
      name,
      byHand: byHandOf(connection),
      spool: places[0],
      places,
      change,
      status,
      run: run && { batchId: run.batchId },
      onPlate: onPlate && { batch: onPlate.batch },
    };
  });
}

/**
 * The printers in use, each with the change of filament that is under way and its places for rolls: one, or as many as
 * filaments that it changes between by itself.
 */
async function usedPrinters(db: Database) {
  const [all, rolls] = await Promise.all([
    db
      .select({ printer: printers, sheet: machineSheets.sheet, change: filamentChanges })
      .from(printers)
      .leftJoin(machineSheets, eq(machineSheets.id, printers.sheetId))
      .leftJoin(filamentChanges, eq(filamentChanges.printerId, printers.id))
      .where(isNull(printers.retiredAt))
      .orderBy(asc(printers.name)),
    db.select().from(spools).where(isNotNull(spools.printerId)),
  ]);
  return all.map(({ printer, sheet, change }) => ({
    // Where nobody wrote the model down, its sheet tells which it is.
    printer: { ...printer, model: printer.model || (sheet?.name ?? '') },
    change,
    places: Array.from(
      { length: sheet?.filaments ?? 1 },
      (_, place) => rolls.find((roll) => roll.printerId === printer.id && roll.place === place) ?? null,
    ),
  }));
}

/** Whether a person carries files to a printer and says how its runs go, and onto which card they are written. */
function byHandOf(connection: Connection): { card: string | null } | undefined {
  return connection.way === 'card' ? { card: connection.card } : undefined;
}
