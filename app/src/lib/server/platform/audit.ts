import { and, desc, eq, isNull, lt, ne, sql, type SQL } from 'drizzle-orm';
import { alias, type AnyPgColumn } from 'drizzle-orm/pg-core';
import { classToTeach, demandRole, type Person } from './auth/access.ts';
import type { Database } from './db/database.ts';
import {
  auditLog,
  briefs,
  classes,
  handIns,
  limitsCards,
  machineSheets,
  batches,
  printers,
  printFiles,
  projects,
  queueEntries,
  runs,
  spools,
  users,
} from './db/schema/index.ts';
import { said, say } from '@kelbrin/core/words';

/** What is written down, in words for whoever reads the log. */
export const actions = said({
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
  'save-material': 'changed a material',
  'remove-material': 'removed a material',
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
  'sign-in': 'signed in',
  'change-password': 'changed the own password or PIN',
  'end-session': 'ended a session of their own',
  'disable-staff': 'closed the door for a colleague',
  'enable-staff': 'opened the door for a colleague again',
  'invite-staff': 'made a link to invite a colleague',
  'reset-staff': 'made a link to a new password',
  'enter-by-link': 'came in by a link',
  'unlock-class': 'let a class try to sign in again',
  'revoke-share': 'took a student’s link back',
  'export-class': 'downloaded all of a class',
  'clear-plate': 'noted that a plate is clear',
  'move-entry': 'moved a part in the queue',
  'hold-entry': 'held a part back',
  'release-entry': 'let a part go on',
  'drop-entry': 'took a part out of the queue',
  'put-back-entry': 'put a part back into the queue',
  'lay-batch': 'laid a batch',
  'discard-batch': 'broke up a batch',
  'add-spool': 'noted a new spool',
  'weigh-spool': 'weighed a spool',
  'load-spool': 'put a spool on a printer',
  'unload-spool': 'took a spool off a printer',
  'end-spool': 'noted that a spool is used up',
  'bring-back-spool': 'brought a spool back',
  'add-printer': 'noted a printer',
  'edit-printer': 'changed a printer',
  'hand-out': 'handed parts out',
  'care-printer': 'looked after a printer',
  'say-of-run': 'told how a print goes',
  'retire-printer': 'retired a printer',
  'bring-back-printer': 'brought a printer back',
  'create-sheet': 'created a machine sheet',
  'edit-sheet': 'changed a machine sheet',
  'delete-sheet': 'deleted a machine sheet',
  'set-bells': 'changed when the bells ring',
  'set-planning': 'changed when somebody is in the print room',
  'pin-batch': 'put a batch at a time in the plan',
  'set-currency': 'changed the currency',
} as const);
export type Action = keyof typeof actions;

/** Writes down who did what; inside a transaction it is there when that is committed, and not at all otherwise. */
export async function record(
  db: Database,
  { id: actorId }: Pick<Person, 'id'>,
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
  return { className: group.name, ...(await linesWhere(db, eq(auditLog.classId, group.id), beforeId)) };
}

/** What was done in the print room, to limits cards and by whom the door was opened, in the same way. */
export async function schoolLog(
  db: Database,
  teacher: Person,
  { beforeId, withSignIns }: { readonly beforeId?: number; readonly withSignIns: boolean },
) {
  demandRole(teacher, 'teacher');
  const isOther = ne(auditLog.action, 'sign-in' satisfies Action);
  const where = and(isNull(auditLog.classId), withSignIns ? undefined : isOther);
  return linesWhere(db, where, beforeId);
}

async function linesWhere(db: Database, where: SQL | undefined, beforeId?: number) {
  const actor = alias(users, 'actor');
  const subject = alias(users, 'subject');
  const student = alias(users, 'student');
  const shared = alias(projects, 'shared');
  const sharer = alias(users, 'sharer');
  const runPrinter = alias(printers, 'run_printer');
  // The ids of people are words of their own. All others are compared as what they are, so that an index finds them.
  const subjectUuid = sql`case when ${auditLog.subjectId} ~ '^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$'
    then ${auditLog.subjectId}::uuid end`;
  const isSubject = (column: AnyPgColumn) => eq(column, subjectUuid);
  const lines = await db
    .select({
      id: auditLog.id,
      at: auditLog.at,
      action: auditLog.action,
      who: actor.name,
      // A subject is a hand-in, a person, a brief, a card, the class itself or a thing of the print room; of what is gone
      // there is no name.
      about: sql<string | null>`coalesce(
        ${student.name} || ', v' || ${handIns.number}, ${subject.name}, ${briefs.title}, ${limitsCards.name},
        ${sharer.name}, ${classes.name}, ${printers.name}, ${machineSheets.name}, ${printFiles.name}, ${runPrinter.name}
      )`,
      spool: spools.number,
      batch: batches.number,
    })
    .from(auditLog)
    .leftJoin(actor, eq(actor.id, auditLog.actorId))
    .leftJoin(subject, eq(subject.id, auditLog.subjectId))
    .leftJoin(handIns, isSubject(handIns.id))
    .leftJoin(projects, eq(projects.id, handIns.projectId))
    .leftJoin(student, eq(student.id, projects.studentId))
    .leftJoin(briefs, isSubject(briefs.id))
    .leftJoin(limitsCards, isSubject(limitsCards.id))
    .leftJoin(shared, isSubject(shared.id))
    .leftJoin(sharer, eq(sharer.id, shared.studentId))
    .leftJoin(classes, isSubject(classes.id))
    .leftJoin(printers, isSubject(printers.id))
    .leftJoin(machineSheets, isSubject(machineSheets.id))
    .leftJoin(spools, isSubject(spools.id))
    .leftJoin(batches, isSubject(batches.id))
    .leftJoin(queueEntries, isSubject(queueEntries.id))
    .leftJoin(printFiles, eq(printFiles.id, queueEntries.printFileId))
    .leftJoin(runs, isSubject(runs.id))
    .leftJoin(runPrinter, eq(runPrinter.id, runs.printerId))
    .where(and(where, beforeId === undefined ? undefined : lt(auditLog.id, beforeId)))
    .orderBy(desc(auditLog.id))
    .limit(PAGE + 1);
  return {
    lines: lines.slice(0, PAGE).map(({ action, about, spool, batch, ...line }) => ({
      ...line,
      about:
        spool !== null
          ? say('spool {number}', { number: spool })
          : batch !== null
            ? say('batch {number}', { number: batch })
            : about,
      did: actions[action as Action] ?? action,
    })),
    /** The line from before which there is more. */
    more: lines.length > PAGE ? lines[PAGE - 1].id : undefined,
  };
}
