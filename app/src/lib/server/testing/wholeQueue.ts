import { asc, ne, sql } from 'drizzle-orm';
import { waiversOf } from '../handIns/waivers.ts';
import { demandRole, type Person } from '../platform/auth/access.ts';
import { namesOnProject } from '../platform/auth/team.ts';
import { entriesWithOwner } from '../platform/auth/withOwner.ts';
import type { Database } from '../platform/db/database.ts';
import { briefs, classes, handIns, printFiles, queueEntries } from '../platform/db/schema/index.ts';

/** All that joined the queue and is not printed yet, in the order of joining, with the state that the database has it in. */
export async function wholeQueue(db: Database, person: Person) {
  demandRole(person, 'teacher', 'helper');
  const entries = await entriesWithOwner(db, {
    id: queueEntries.id,
    copy: queueEntries.copy,
    position: queueEntries.position,
    copies: sql<number>`count(*) over (partition by ${printFiles.id})::int`,
    state: queueEntries.state,
    joinedAt: queueEntries.joinedAt,
    heldAt: queueEntries.heldAt,
    handOrder: queueEntries.handOrder,
    handInId: printFiles.handInId,
    projectId: handIns.projectId,
    name: printFiles.name,
    part: handIns.part,
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
