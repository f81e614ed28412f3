import { and, asc, desc, eq } from 'drizzle-orm';
import { demandRole, isId, NotAllowed, type Person } from '../../platform/auth/access.ts';
import type { Database } from '../../platform/db/database.ts';
import {
  batches,
  batchParts,
  printFiles,
  queueEntries,
  runs,
  spools,
} from '../../platform/db/schema/index.ts';
import { partsOf } from './batchParts.ts';

/** A batch that can be changed, with its parts and what they are printed with. */
export async function batchToSee(db: Database, person: Person, batchId: string) {
  demandRole(person, 'teacher', 'helper');
  const [batch] = await db.select().from(batches).where(isId(batchId, batches.id));
  const all = batch ? await partsOf(db, [batch.id]) : [];
  // Of one whose parts went with their students there is nothing left to see.
  if (all.length === 0) throw new NotAllowed();
  const tries = await db.select().from(runs).where(eq(runs.batchId, batch.id)).orderBy(desc(runs.startedAt));
  const spoolId = tries.find((run) => run.spoolId !== null)?.spoolId;
  const [spool] = spoolId ? await db.select().from(spools).where(eq(spools.id, spoolId)) : [];
  return { batch, parts: all, tries, spool };
}

/** The solid of a print file that has or had a place on a batch, as STL. */
export async function fileOnBatch(
  db: Database,
  person: Person,
  batchId: string,
  fileId: string,
): Promise<Uint8Array> {
  demandRole(person, 'teacher', 'helper');
  return fileOfBatch(db, batchId, fileId);
}

/** The same, for whoever may see the batch; that is asked before. */
export async function fileOfBatch(db: Database, batchId: string, fileId: string): Promise<Uint8Array> {
  const [file] = await db
    .select({ stl: printFiles.stl })
    .from(printFiles)
    .innerJoin(queueEntries, eq(queueEntries.printFileId, printFiles.id))
    .innerJoin(batchParts, eq(batchParts.queueEntryId, queueEntries.id))
    .where(and(isId(fileId, printFiles.id), isId(batchId, batchParts.batchId)))
    .limit(1);
  if (!file) throw new NotAllowed();
  return file.stl;
}

/** The batches that are laid and not printed, the earliest first. */
export async function openBatches(db: Database, person: Person) {
  demandRole(person, 'teacher', 'helper');
  const open = await db
    .selectDistinct({ batch: batches })
    .from(batches)
    .innerJoin(batchParts, and(eq(batchParts.batchId, batches.id), batchParts.isCurrent))
    .orderBy(asc(batches.number));
  const parts = await partsOf(
    db,
    open.map(({ batch }) => batch.id),
  );
  return open.map(({ batch }) => ({ ...batch, parts: parts.filter(({ batchId }) => batchId === batch.id) }));
}
