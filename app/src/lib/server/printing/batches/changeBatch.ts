import { and, eq } from 'drizzle-orm';
import { partChoice, printChoice } from '@kelbrin/core/slice';
import { isOtherwise } from '../../../shared/batchPiece.ts';
import { placementDraft } from '../../../shared/plate.ts';
import { demandRole, isId, NotAllowed, type Person } from '../../platform/auth/access.ts';
import { CannotNow } from '../../platform/basics/cannotNow.ts';
import type { Database } from '../../platform/db/database.ts';
import { batches, batchParts, runs } from '../../platform/db/schema/index.ts';
import { announce } from '../../platform/live/topics.ts';
import { currentParts, openBatch, setBack } from './batchParts.ts';
import { moveBatch, takeBatchApart } from './lifecycle.ts';

/** Puts a part where a person wants it; whether it lies well there is asked when the batch is started. */
export async function movePart(
  db: Database,
  person: Person,
  batchId: string,
  entryId: string,
  data: unknown,
): Promise<void> {
  demandRole(person, 'teacher', 'helper');
  const read = placementDraft.safeParse(data);
  if (!read.success)
    throw new CannotNow('That place is not on the plate: put the part down inside its edge.');
  await changePart(db, batchId, entryId, read.data);
}

/** Chooses how one part of a batch is printed otherwise than the others. */
export async function chooseForPart(
  db: Database,
  person: Person,
  batchId: string,
  entryId: string,
  data: unknown,
): Promise<void> {
  demandRole(person, 'teacher', 'helper');
  const read = partChoice.safeParse(data);
  if (!read.success) throw new CannotNow('These print settings cannot be used: load the page again.');
  await changePart(db, batchId, entryId, {
    ownChoice: isOtherwise({ ownChoice: read.data }) ? read.data : null,
  });
}

/** Changes what a batch that is not printed has of one part. */
async function changePart(
  db: Database,
  batchId: string,
  entryId: string,
  change: Partial<Pick<typeof batchParts.$inferInsert, 'xMm' | 'yMm' | 'turnDeg' | 'ownChoice'>>,
): Promise<void> {
  await db.transaction(async (tx) => {
    const batch = await openBatch(tx, batchId);
    const changed = await tx
      .update(batchParts)
      .set(change)
      .where(and(eq(batchParts.batchId, batch.id), isId(entryId, batchParts.queueEntryId)))
      .returning({ id: batchParts.queueEntryId });
    if (changed.length === 0) throw new NotAllowed();
    await tx.update(batches).set({ estimate: null }).where(eq(batches.id, batch.id));
    await announce(tx, 'printroom');
  });
}

/** Chooses how a batch is printed. */
export async function chooseForBatch(
  db: Database,
  person: Person,
  batchId: string,
  data: unknown,
): Promise<void> {
  demandRole(person, 'teacher', 'helper');
  const read = printChoice.safeParse(data);
  if (!read.success) throw new CannotNow('These print settings cannot be used: load the page again.');
  await db.transaction(async (tx) => {
    const batch = await openBatch(tx, batchId);
    await tx.update(batches).set({ choice: read.data, estimate: null }).where(eq(batches.id, batch.id));
    await announce(tx, 'printroom');
  });
}

/** Takes a part off a batch; it waits again. Returns whether it was the last one, with which the batch is given up. */
export async function takeOffBatch(
  db: Database,
  person: Person,
  batchId: string,
  entryId: string,
): Promise<boolean> {
  demandRole(person, 'teacher', 'helper');
  return db.transaction(async (tx) => {
    const batch = await openBatch(tx, batchId);
    const others = (await currentParts(tx, batch.id)).filter((part) => part.entryId !== entryId);
    if (others.length === 0) await giveUp(tx, person, batch.id);
    else {
      await setBack(tx, person, batch.id, entryId);
      await tx.update(batches).set({ estimate: null }).where(eq(batches.id, batch.id));
    }
    return others.length === 0;
  });
}

/** Gives a batch up: its parts wait again. What was tried to print it is kept. */
export async function discardBatch(db: Database, person: Person, batchId: string): Promise<void> {
  demandRole(person, 'teacher', 'helper');
  await db.transaction(async (tx) => {
    const batch = await openBatch(tx, batchId);
    await giveUp(tx, person, batch.id);
  });
}

async function giveUp(tx: Database, person: Person, batchId: string): Promise<void> {
  const wasTried = (await tx.$count(runs, eq(runs.batchId, batchId))) > 0;
  for (const { entryId } of await currentParts(tx, batchId))
    await setBack(tx, person, batchId, entryId, wasTried);
  if (wasTried) await moveBatch(tx, 'discard', person, batchId);
  else await takeBatchApart(tx, person, batchId);
}
