import { and, asc, eq } from 'drizzle-orm';
import { sayingOf } from '../../shared/briefDraft.ts';
import { record } from '../platform/audit.ts';
import {
  briefToTeach,
  classToTeach,
  demandRole,
  isId,
  NotAllowed,
  type Person,
} from '../platform/auth/access.ts';
import type { Database } from '../platform/db/database.ts';
import { briefs, keptBriefs } from '../platform/db/schema/index.ts';
import { announce } from '../platform/live/topics.ts';

/** The briefs that a teacher keeps, by title. */
export async function keptBriefsOf(db: Database, teacher: Person) {
  demandRole(teacher, 'teacher');
  return db
    .select()
    .from(keptBriefs)
    .where(eq(keptBriefs.teacherId, teacher.id))
    .orderBy(asc(keptBriefs.title));
}

/** Keeps a brief in its teacher's library as it is now, in place of the one of that title if there is one. */
export async function keepBrief(db: Database, teacher: Person, briefId: string): Promise<void> {
  const { brief } = await briefToTeach(db, teacher, briefId);
  const saying = sayingOf(brief);
  await db
    .insert(keptBriefs)
    .values({ teacherId: teacher.id, ...saying })
    .onConflictDoUpdate({
      target: [keptBriefs.teacherId, keptBriefs.title],
      set: { ...saying, keptAt: new Date() },
    });
}

/** Sets a brief from the library for one of the teacher's classes; returns the new brief's id. */
export async function setKeptBrief(
  db: Database,
  teacher: Person,
  keptId: string,
  classId: string,
): Promise<string> {
  const kept = await keptBrief(db, teacher, keptId);
  const group = await classToTeach(db, teacher, classId);
  return db.transaction(async (tx) => {
    const [{ id }] = await tx
      .insert(briefs)
      .values({ classId: group.id, ...sayingOf(kept) })
      .returning({ id: briefs.id });
    await record(tx, teacher, 'copy-brief', group.id, [id]);
    await announce(tx, `class:${group.id}`);
    return id;
  });
}

/** Takes a brief out of the library; where it was set it stays. */
export async function dropKeptBrief(db: Database, teacher: Person, keptId: string): Promise<void> {
  const { id } = await keptBrief(db, teacher, keptId);
  await db.delete(keptBriefs).where(eq(keptBriefs.id, id));
}

async function keptBrief(db: Database, teacher: Person, keptId: string) {
  demandRole(teacher, 'teacher');
  const [kept] = await db
    .select()
    .from(keptBriefs)
    .where(and(isId(keptId, keptBriefs.id), eq(keptBriefs.teacherId, teacher.id)));
  if (!kept) throw new NotAllowed();
  return kept;
}
