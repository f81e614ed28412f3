import { and, desc, eq, lt, sql } from 'drizzle-orm';
import { alias } from 'drizzle-orm/pg-core';
import { classToTeach, type Person } from './auth/access.ts';
import type { Database } from './db/database.ts';
import { auditLog, briefs, classes, handIns, limitsCards, projects, users } from './db/schema/index.ts';

/** What is written down, in words for whoever reads the log. */
export const actions = {
  'hand-in': 'handed in',
  withdraw: 'took a hand-in back',
  share: 'made a link to a version',
  unshare: 'took a link back',
  'send-back': 'sent a hand-in back',
  approve: 'approved a hand-in',
  waive: 'waived a failing check',
  undo: 'undid a decision on a hand-in',
  'create-brief': 'created a brief',
  'edit-brief': 'changed a brief',
  'copy-brief': 'copied a brief',
  'delete-brief': 'deleted a brief',
  'create-class': 'created a class',
  'create-card': 'created a limits card',
  'edit-card': 'changed a limits card',
  'delete-card': 'deleted a limits card',
  'choose-card': 'chose another limits card for a class',
  'open-gallery': 'opened the gallery',
  'close-gallery': 'closed the gallery',
  'add-student': 'added a student',
  'rename-student': 'renamed a student',
  'reset-pin': 'gave a student a new PIN',
  'archive-student': 'archived a student',
  'restore-student': 'took a student back',
  'move-student': 'moved a student to another class',
  'delete-student': 'deleted a student with all work',
  'make-team': 'put a student in a team',
  'leave-team': 'took a student out of a team',
  'start-run': 'started a print',
  'cancel-run': 'cancelled a print',
  'add-helper': 'added a helper',
  'remove-helper': 'removed a helper',
} as const;
export type Action = keyof typeof actions;

/** Writes down who did what; inside a transaction it is there when that is committed, and not at all otherwise. */
export async function record(
  db: Database,
  { id: actorId }: Person,
  action: Action,
  /** None for what belongs to no class, as a limits card. */
  classId: string | null,
  subjectIds: readonly string[],
): Promise<void> {
  if (subjectIds.length === 0) return;
  await db.insert(auditLog).values(subjectIds.map((subjectId) => ({ actorId, action, subjectId, classId })));
}

/** How many lines of the log a page shows. */
const PAGE = 100;

/**
 * What was done to hand-ins, people, briefs and cards of one of the teacher's classes, the newest first, from before a
 * line if that is named. Who has been deleted since is not named any more.
 */
export async function logOf(db: Database, teacher: Person, classId: string, beforeId?: number) {
  const group = await classToTeach(db, teacher, classId);
  const actor = alias(users, 'actor');
  const subject = alias(users, 'subject');
  const student = alias(users, 'student');
  const shared = alias(projects, 'shared');
  const sharer = alias(users, 'sharer');
  const lines = await db
    .select({
      id: auditLog.id,
      at: auditLog.at,
      action: auditLog.action,
      who: actor.name,
      // A subject is a hand-in, a person, a brief, a card or the class itself; of what is gone there is no name.
      about: sql<string | null>`coalesce(
        ${student.name} || ', v' || ${handIns.number}, ${subject.name}, ${briefs.title}, ${limitsCards.name}, ${sharer.name}, ${classes.name}
      )`,
    })
    .from(auditLog)
    .leftJoin(actor, eq(actor.id, auditLog.actorId))
    .leftJoin(subject, eq(subject.id, auditLog.subjectId))
    .leftJoin(handIns, eq(sql`${handIns.id}::text`, auditLog.subjectId))
    .leftJoin(projects, eq(projects.id, handIns.projectId))
    .leftJoin(student, eq(student.id, projects.studentId))
    .leftJoin(briefs, eq(sql`${briefs.id}::text`, auditLog.subjectId))
    .leftJoin(limitsCards, eq(sql`${limitsCards.id}::text`, auditLog.subjectId))
    .leftJoin(shared, eq(sql`${shared.id}::text`, auditLog.subjectId))
    .leftJoin(sharer, eq(sharer.id, shared.studentId))
    .leftJoin(classes, eq(sql`${classes.id}::text`, auditLog.subjectId))
    .where(
      and(eq(auditLog.classId, group.id), beforeId === undefined ? undefined : lt(auditLog.id, beforeId)),
    )
    .orderBy(desc(auditLog.id))
    .limit(PAGE + 1);
  return {
    className: group.name,
    lines: lines.slice(0, PAGE).map(({ action, ...line }) => ({
      ...line,
      did: actions[action as Action] ?? action,
    })),
    /** The line from before which there is more. */
    more: lines.length > PAGE ? lines[PAGE - 1].id : undefined,
  };
}
