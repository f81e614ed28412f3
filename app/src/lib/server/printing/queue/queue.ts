import { and, eq, max } from 'drizzle-orm';
import { record } from '../../platform/audit.ts';
import { demandRole, isId, isOneOf, NotAllowed, type Person } from '../../platform/auth/access.ts';
import { CannotNow } from '../../platform/basics/cannotNow.ts';
import type { Database } from '../../platform/db/database.ts';
import { handIns, printFiles, queueEntries } from '../../platform/db/schema/index.ts';
import { announce } from '../../platform/live/topics.ts';
import { joinQueue, moveEntries } from './lifecycle.ts';
import { say } from '@kelbrin/core/words';

/** How many parts wait. */
export async function countWaiting(db: Database, person: Person): Promise<number> {
  demandRole(person, 'teacher', 'helper');
  return db.$count(queueEntries, eq(queueEntries.state, 'waiting'));
}

/** Takes waiting parts out of the queue, or puts them back; only the teacher decides what is not printed. */
export async function dropEntries(
  db: Database,
  person: Person,
  entryIds: readonly string[],
  isDropped: boolean,
): Promise<number> {
  demandRole(person, 'teacher');
  return db.transaction(async (tx) => {
    const which = isOneOf(entryIds, queueEntries.id);
    const moved = await moveEntries(tx, isDropped ? 'drop' : 'putBack', person, which);
    if (moved.length === 0)
      throw new CannotNow(
        isDropped
          ? say('This part is not waiting any more: load the page again to see where it is.')
          : say('This part is not out of the queue any more: load the page again to see where it is.'),
      );
    return moved.length;
  });
}

/** Has a part that was printed be printed once more. */
export async function repeatPrint(db: Database, person: Person, entryId: string): Promise<void> {
  demandRole(person, 'teacher', 'helper');
  await db.transaction(async (tx) => {
    const [printed] = await tx
      .select({ fileId: queueEntries.printFileId, handIn: handIns.state })
      .from(queueEntries)
      .innerJoin(printFiles, eq(printFiles.id, queueEntries.printFileId))
      .innerJoin(handIns, eq(handIns.id, printFiles.handInId))
      .where(and(isId(entryId, queueEntries.id), eq(queueEntries.state, 'printed')))
      // Of two who press at once, the second counts the copy of the first.
      .for('update', { of: printFiles });
    if (!printed) throw new NotAllowed();
    if (printed.handIn !== 'approved')
      throw new CannotNow('This part went back to its student: it can be printed when it is approved again.');
    const [{ last }] = await tx
      .select({ last: max(queueEntries.copy) })
      .from(queueEntries)
      .where(eq(queueEntries.printFileId, printed.fileId));
    await joinQueue(tx, person, printed.fileId, (last ?? 0) + 1);
    await record(tx, person, 'put-back-entry', null, [entryId]);
  });
}

/** Holds waiting parts back, or lets them go on; returns how many. */
export async function holdEntries(
  db: Database,
  person: Person,
  entryIds: readonly string[],
  isHeld: boolean,
): Promise<number> {
  demandRole(person, 'teacher', 'helper');
  const held = await db
    .update(queueEntries)
    .set({ heldAt: isHeld ? new Date() : null })
    .where(and(isOneOf(entryIds, queueEntries.id), eq(queueEntries.state, 'waiting')))
    .returning({ id: queueEntries.id });
  if (held.length === 0)
    throw new CannotNow('This part is not waiting any more: load the page again to see where it is.');
  await record(
    db,
    person,
    isHeld ? 'hold-entry' : 'release-entry',
    null,
    held.map(({ id }) => id),
  );
  await announce(db, 'queue');
  return held.length;
}
