import { eq } from 'drizzle-orm';
import type { PgSelect, PgSelectBase, SelectedFields } from 'drizzle-orm/pg-core';
import type { Database } from '../db/database.ts';
import { briefs, classes, handIns, printFiles, projects, queueEntries, users } from '../db/schema/index.ts';

/*
 * Whose a thing is, told once: a place in the queue is of a print file, that of a hand-in, that of a project, and that of
 * a student, a brief and a class. Each of these begins a query whose fields, filters and order can be of all of them.
 * Queries that lock rows join what they need themselves, since all that is joined would be locked.
 */

type OwnerTable = 'projects' | 'users' | 'briefs' | 'classes';
type HandInTable = OwnerTable | 'hand_ins';
type EntryTable = HandInTable | 'print_files' | 'queue_entries';

/** A query of such fields over tables of which each row is there. */
type Query<Fields extends SelectedFields, Tables extends string> = PgSelectBase<
  Tables,
  Fields,
  'partial',
  Record<Tables, 'not-null'>
>;

/**
 * Projects with the student, the brief and the class of each.
 *
 * @example
 * await projectsWithOwner(db, { id: projects.id, student: namesOnProject }).where(eq(classes.teacherId, teacher.id))
 */
export function projectsWithOwner<Fields extends SelectedFields>(
  db: Database,
  fields: Fields,
): Query<Fields, OwnerTable> {
  return joined(joinOwner(db.select<SelectedFields>(fields).from(projects).$dynamic()));
}

/** Hand-ins with the project of each and whose it is. */
export function handInsWithOwner<Fields extends SelectedFields>(
  db: Database,
  fields: Fields,
): Query<Fields, HandInTable> {
  return joined(joinProject(db.select<SelectedFields>(fields).from(handIns).$dynamic()));
}

/** Places in the queue with the print file, the hand-in and the project of each, and whose it is. */
export function entriesWithOwner<Fields extends SelectedFields>(
  db: Database,
  fields: Fields,
): Query<Fields, EntryTable> {
  const entries = db
    .select<SelectedFields>(fields)
    .from(queueEntries)
    .innerJoin(printFiles, eq(printFiles.id, queueEntries.printFileId))
    .innerJoin(handIns, eq(handIns.id, printFiles.handInId));
  return joined(joinProject(entries.$dynamic()));
}

function joinProject<T extends PgSelect>(query: T) {
  query.innerJoin(projects, eq(projects.id, handIns.projectId));
  return joinOwner(query);
}

/** Dynamic queries are changed in place, so that what each join gives back need not be kept. */
function joinOwner<T extends PgSelect>(query: T): T {
  query.innerJoin(users, eq(users.id, projects.studentId));
  query.innerJoin(briefs, eq(briefs.id, projects.briefId));
  query.innerJoin(classes, eq(classes.id, briefs.classId));
  return query;
}

/** The query with the type of what it selects: the compiler cannot follow joins of fields that it does not know yet. */
function joined<Fields extends SelectedFields, Tables extends string>(query: unknown): Query<Fields, Tables> {
  return query as Query<Fields, Tables>;
}
