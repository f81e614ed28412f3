import { and, desc, eq, inArray } from 'drizzle-orm';
import type { MachineSheet } from '@kelbrin/core/machine';
import { choiceWithColours, coloursOfBatch } from '../../../shared/batchColours.ts';
import { placesOf } from '../../../shared/rolls.ts';
import { heldByOf } from '../../../shared/heldBy.ts';
import { isId, isStaff, maySeeProject, NotAllowed, type Person } from '../../platform/auth/access.ts';
import type { Database } from '../../platform/db/database.ts';
import {
  batches,
  batchParts,
  printers,
  printFiles,
  queueEntries,
  runs,
  spools,
} from '../../platform/db/schema/index.ts';
import { sheetOfPrinter } from '../../printers/machineSheets.ts';
import { fileOfBatch } from '../batches/batches.ts';
import { partsOf, type BatchPart } from '../batches/batchParts.ts';

/** How far a run is, as those who watch it are told. */
export interface RunProgress {
  readonly state: (typeof runs.$inferSelect)['state'];
  readonly progress: number;
  readonly isPaused: boolean;
}

/**
 * A run, and what it takes to draw it line by line: for the staff, and for everybody who works on a project of which a part
 * is on the batch. Whose the other parts are is not told. Throws {@link NotAllowed} for everybody else.
 */
export async function runToWatch(db: Database, person: Person, runId: string) {
  const { run, parts, own } = await watchedRun(db, person, runId);
  const [batch] = await db.select().from(batches).where(eq(batches.id, run.batchId));
  const [printer] = await db.select().from(printers).where(eq(printers.id, run.printerId));
  const [spool] = run.spoolId ? await db.select().from(spools).where(eq(spools.id, run.spoolId)) : [];
  const sheet: MachineSheet | undefined = (await sheetOfPrinter(db, printer.id))?.sheet;
  return {
    id: run.id,
    batch: batch.number,
    printer: printer.name,
    estimateS: run.estimateS,
    colour: spool?.colour,
    limits: parts[0].limits,
    choice: choiceWithColours(batch.choice, coloursOfBatch(parts)),
    on: sheet && { sheet, places: placesOf(run.rolls) },
    parts: parts.map(({ hash, fileId, footprint, xMm, yMm, turnDeg, entryId, ...part }) => ({
      hash,
      fileId,
      footprint,
      xMm,
      yMm,
      turnDeg,
      heldBy: heldByOf(part),
      isOwn: own.has(entryId),
    })),
    ...progressOf(run),
  };
}

/** The solid of a part of a run that somebody may watch, as STL. */
export async function fileToWatch(
  db: Database,
  person: Person,
  runId: string,
  fileId: string,
): Promise<Uint8Array> {
  const { run } = await watchedRun(db, person, runId);
  return fileOfBatch(db, run.batchId, fileId);
}

/** Throws {@link NotAllowed} unless somebody may watch a run. */
export async function demandWatching(db: Database, person: Person, runId: string): Promise<void> {
  await watchedRun(db, person, runId);
}

/** The newest print of each hand-in that prints or is printed, by the hand-in's id. */
export async function newestRunsOf(db: Database, handInIds: readonly string[]): Promise<Map<string, string>> {
  if (handInIds.length === 0) return new Map();
  const rows = await db
    .selectDistinctOn([printFiles.handInId], { handInId: printFiles.handInId, runId: runs.id })
    .from(runs)
    .innerJoin(batchParts, eq(batchParts.batchId, runs.batchId))
    .innerJoin(queueEntries, eq(queueEntries.id, batchParts.queueEntryId))
    .innerJoin(printFiles, eq(printFiles.id, queueEntries.printFileId))
    .where(and(inArray(printFiles.handInId, [...handInIds]), inArray(runs.state, ['printing', 'finished'])))
    .orderBy(printFiles.handInId, desc(runs.startedAt));
  return new Map(rows.map(({ handInId, runId }) => [handInId, runId]));
}

/** What is told of a run again and again while it is watched. */
export function progressOf({
  state,
  progress,
  pausedFor,
}: Pick<typeof runs.$inferSelect, 'state' | 'progress' | 'pausedFor'>): RunProgress {
  return { state, progress, isPaused: pausedFor !== null };
}

async function watchedRun(db: Database, person: Person, runId: string) {
  const [run] = await db.select().from(runs).where(isId(runId, runs.id));
  if (!run) throw new NotAllowed();
  const all = await partsOf(db, [run.batchId]);
  const current = all.filter(({ isCurrent }) => isCurrent);
  const parts = current.length > 0 ? current : all;
  if (parts.length === 0) throw new NotAllowed();
  const own = isStaff(person) ? new Set<string>() : await ownAmong(db, person, parts);
  if (!isStaff(person) && own.size === 0) throw new NotAllowed();
  return { run, parts, own };
}

/** The parts of projects that a person works on, by their places in the queue. */
async function ownAmong(db: Database, person: Person, parts: readonly BatchPart[]): Promise<Set<string>> {
  const own = new Set<string>();
  for (const projectId of new Set(parts.map((part) => part.projectId))) {
    if (!(await maySeeProject(db, person, projectId))) continue;
    for (const part of parts) if (part.projectId === projectId) own.add(part.entryId);
  }
  return own;
}
