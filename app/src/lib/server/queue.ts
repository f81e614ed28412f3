import { and, asc, eq, ne, sql } from 'drizzle-orm';
import { demandRole, isId, type Person } from './auth/access.ts';
import { namesOnProject } from './auth/team.ts';
import { CannotNow } from './cannotNow.ts';
import type { Database } from './db/database.ts';
import { briefs, classes, handIns, printFiles, projects, queueEntries, users } from './db/schema/index.ts';
import { announce } from './live/topics.ts';
import { waiversOf } from './review/waivers.ts';

/** The queue in its order, each entry with whose it is and what it takes. What is printed is no longer in it. */
export async function queue(db: Database, person: Person) {
  demandRole(person, 'teacher', 'helper');
  const entries = await db
    .select({
      id: queueEntries.id,
      copy: queueEntries.copy,
      copies: sql<number>`count(*) over (partition by ${printFiles.id})::int`,
      state: queueEntries.state,
      joinedAt: queueEntries.joinedAt,
      heldAt: queueEntries.heldAt,
      handInId: printFiles.handInId,
      name: printFiles.name,
      hash: printFiles.hash,
      doubt: handIns.doubt,
      estimate: printFiles.estimate,
      material: sql<string>`${handIns.limits} ->> 'material'`,
      student: namesOnProject,
      className: classes.name,
      brief: briefs.title,
      dueOn: briefs.dueOn,
    })
    .from(queueEntries)
    .innerJoin(printFiles, eq(printFiles.id, queueEntries.printFileId))
    .innerJoin(handIns, eq(handIns.id, printFiles.handInId))
    .innerJoin(projects, eq(projects.id, handIns.projectId))
    .innerJoin(users, eq(users.id, projects.studentId))
    .innerJoin(briefs, eq(briefs.id, projects.briefId))
    .innerJoin(classes, eq(classes.id, briefs.classId))
    .where(ne(queueEntries.state, 'printed'))
    .orderBy(asc(queueEntries.position));
  const waived = await waiversOf(
    db,
    entries.map(({ handInId }) => handInId),
  );
  return entries.map((entry) => ({ ...entry, waivers: waived.get(entry.handInId) ?? [] }));
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
  if (held.length === 0) throw new CannotNow('This part is not waiting any more.');
  await announce(db, 'printroom');
}
