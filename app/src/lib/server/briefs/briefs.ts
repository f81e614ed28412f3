import { count, eq } from 'drizzle-orm';
import { readBriefDraft, sayingOf } from '../../shared/briefDraft.ts';
import { taskOf } from '../../shared/taskText.ts';
import { record } from '../platform/audit.ts';
import { briefToTeach, classToTeach, type Person } from '../platform/auth/access.ts';
import { countsOfBriefs } from './briefCounts.ts';
import { CannotNow } from '../platform/basics/cannotNow.ts';
import type { Database } from '../platform/db/database.ts';
import { briefs, projects } from '../platform/db/schema/index.ts';
import { announce } from '../platform/live/topics.ts';
import { demandPictures } from './taskPictures.ts';
import { say } from '@kelbrin/core/words';

/** A brief of the teacher's, with how many have begun it. */
export async function briefToEdit(db: Database, teacher: Person, briefId: string) {
  const { brief, className } = await briefToTeach(db, teacher, briefId);
  const { begun } = (await countsOfBriefs(db, [brief.id])).get(brief.id)!;
  return { brief, className, begun };
}

/** Begins a brief for one of the teacher's classes, which students do not see before it is saved; returns its id. */
export async function createBrief(db: Database, teacher: Person, classId: string): Promise<string> {
  const group = await classToTeach(db, teacher, classId);
  return db.transaction(async (tx) => {
    const [{ id }] = await tx
      .insert(briefs)
      .values({ classId: group.id, title: say('New brief'), task: taskOf(''), shownAt: null })
      .returning({ id: briefs.id });
    await record(tx, teacher, 'create-brief', group.id, [id]);
    await announce(tx, `class:${group.id}`);
    return id;
  });
}

/** Saves what a teacher wrote of a brief; what is handed in from now on is held against it. */
export async function saveBrief(
  db: Database,
  teacher: Person,
  briefId: string,
  data: unknown,
): Promise<void> {
  const { brief } = await briefToTeach(db, teacher, briefId);
  const read = readBriefDraft(data);
  if (!read.ok) throw new CannotNow(read.message);
  await db.transaction(async (tx) => {
    await demandPictures(tx, teacher, read.draft.task);
    await tx
      .update(briefs)
      .set({ ...read.draft, shownAt: brief.shownAt ?? new Date() })
      .where(eq(briefs.id, brief.id));
    await record(tx, teacher, 'edit-brief', brief.classId, [brief.id]);
    const begun = await tx.select({ id: projects.id }).from(projects).where(eq(projects.briefId, brief.id));
    // Benches that are open go by the brief as it is now.
    await announce(tx, `class:${brief.classId}`, ...begun.map(({ id }) => `project:${id}` as const));
  });
}

/** Copies a brief, starter and all, for another of the teacher's classes or the same; returns the copy's id. */
export async function copyBrief(
  db: Database,
  teacher: Person,
  briefId: string,
  toClassId: string,
): Promise<string> {
  const { brief } = await briefToTeach(db, teacher, briefId);
  const group = await classToTeach(db, teacher, toClassId);
  return db.transaction(async (tx) => {
    const [{ id }] = await tx
      .insert(briefs)
      // It is due when the other class says.
      .values({ classId: group.id, ...sayingOf(brief), shownAt: brief.shownAt })
      .returning({ id: briefs.id });
    await record(tx, teacher, 'copy-brief', group.id, [id]);
    await announce(tx, `class:${group.id}`);
    return id;
  });
}

/** Deletes a brief that nobody has begun; returns the id of its class. */
export async function deleteBrief(db: Database, teacher: Person, briefId: string): Promise<string> {
  const { brief } = await briefToTeach(db, teacher, briefId);
  await db.transaction(async (tx) => {
    // The brief is held, so that nobody begins it meanwhile.
    await tx.select({ id: briefs.id }).from(briefs).where(eq(briefs.id, brief.id)).for('update');
    const [{ begun }] = await tx
      .select({ begun: count() })
      .from(projects)
      .where(eq(projects.briefId, brief.id));
    if (begun > 0) {
      throw new CannotNow(
        '{begun, plural, one {A student has} other {# students have}} begun this brief, so it stays. Set its due date to a day that is over instead.',
        { begun },
      );
    }
    await tx.delete(briefs).where(eq(briefs.id, brief.id));
    await record(tx, teacher, 'delete-brief', brief.classId, [brief.id]);
    await announce(tx, `class:${brief.classId}`);
  });
  return brief.classId;
}
