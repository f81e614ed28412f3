import { and, asc, eq, inArray, isNotNull, max, ne, sql } from 'drizzle-orm';
import * as z from 'zod';
import { record } from '../../platform/audit.ts';
import { demandRole, isId, NotAllowed, type Person } from '../../platform/auth/access.ts';
import { namesOnProject } from '../../platform/auth/team.ts';
import { entriesWithOwner } from '../../platform/auth/withOwner.ts';
import { CannotNow } from '../../platform/basics/cannotNow.ts';
import type { Database } from '../../platform/db/database.ts';
import { briefs, classes, handIns, printFiles, queueEntries } from '../../platform/db/schema/index.ts';
import { announce } from '../../platform/live/topics.ts';
import { joinQueue, moveEntries } from './lifecycle.ts';
import { waiversOf } from '../../handIns/waivers.ts';
import { say } from '@kelbrin/core/words';

/** The queue in its order, each entry with whose it is and what it takes. What is printed is no longer in it. */
export async function queue(db: Database, person: Person) {
  demandRole(person, 'teacher', 'helper');
  const entries = await entriesWithOwner(db, {
    id: queueEntries.id,
    copy: queueEntries.copy,
    copies: sql<number>`count(*) over (partition by ${printFiles.id})::int`,
    state: queueEntries.state,
    joinedAt: queueEntries.joinedAt,
    heldAt: queueEntries.heldAt,
    handOrder: queueEntries.handOrder,
    handInId: printFiles.handInId,
    projectId: handIns.projectId,
    name: printFiles.name,
    hash: printFiles.hash,
    doubt: handIns.doubt,
    estimate: printFiles.estimate,
    colours: printFiles.colours,
    material: sql<string>`${handIns.limits} ->> 'material'`,
    student: namesOnProject,
    className: classes.name,
    brief: briefs.title,
    dueOn: briefs.dueOn,
  })
    .where(ne(queueEntries.state, 'printed'))
    .orderBy(asc(queueEntries.position));
  const waived = await waiversOf(
    db,
    entries.map(({ handInId }) => handInId),
  );
  return entries.map((entry) => ({ ...entry, waivers: waived.get(entry.handInId) ?? [] }));
}

/** How many parts wait. */
export async function countWaiting(db: Database, person: Person): Promise<number> {
  demandRole(person, 'teacher', 'helper');
  return db.$count(queueEntries, eq(queueEntries.state, 'waiting'));
}

/**
 * Puts the parts that wait in the order of the ids; those that are not named come after them, as the rules have them.
 */
export async function orderQueue(db: Database, person: Person, entryIds: readonly string[]): Promise<void> {
  demandRole(person, 'teacher', 'helper');
  const ids = z.array(z.uuid()).max(5000).safeParse(entryIds);
  if (!ids.success) throw new CannotNow('This order names parts that do not exist: load the page again.');
  await db.transaction(async (tx) => {
    await tx.update(queueEntries).set({ handOrder: null }).where(isNotNull(queueEntries.handOrder));
    if (ids.data.length > 0) {
      const listed = sql.join(
        ids.data.map((id) => sql`${id}::uuid`),
        sql`, `,
      );
      await tx
        .update(queueEntries)
        .set({ handOrder: sql`array_position(array[${listed}], ${queueEntries.id})` })
        .where(inArray(queueEntries.id, ids.data));
    }
    await record(tx, person, 'move-entry', null, ids.data.slice(0, 1));
    await announce(tx, 'printroom');
  });
}

/** Takes a waiting part out of the queue, or puts it back; only the teacher decides what is not printed. */
export async function dropEntry(
  db: Database,
  person: Person,
  entryId: string,
  isDropped: boolean,
): Promise<void> {
  demandRole(person, 'teacher');
  await db.transaction(async (tx) => {
    const moved = await moveEntries(
      tx,
      isDropped ? 'drop' : 'putBack',
      person,
      isId(entryId, queueEntries.id),
    );
    if (moved.length === 0)
      throw new CannotNow(
        isDropped
          ? say('This part is not waiting any more: load the page again to see where it is.')
          : say('This part is not out of the queue any more: load the page again to see where it is.'),
      );
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

/** Holds a waiting part back, or lets it go on. */
export async function holdEntry(
  db: Database,
  person: Person,
  entryId: string,
  isHeld: boolean,
): Promise<void> {
  demandRole(person, 'teacher', 'helper');
  const held = await db
    .update(queueEntries)
    .set({ heldAt: isHeld ? new Date() : null })
    .where(and(isId(entryId, queueEntries.id), eq(queueEntries.state, 'waiting')))
    .returning({ id: queueEntries.id });
  if (held.length === 0)
    throw new CannotNow('This part is not waiting any more: load the page again to see where it is.');
  await record(db, person, isHeld ? 'hold-entry' : 'release-entry', null, [entryId]);
  await announce(db, 'printroom');
}
