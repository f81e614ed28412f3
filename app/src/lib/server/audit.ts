import type { Person } from './auth/access.ts';
import type { Database } from './db/database.ts';
import { auditLog } from './db/schema/index.ts';

/** What is written down, in words for whoever reads the log. */
export const actions = {
  'hand-in': 'handed in',
  withdraw: 'took a hand-in back',
  'send-back': 'sent a hand-in back',
  approve: 'approved a hand-in',
  waive: 'waived a failing check',
  undo: 'undid a decision on a hand-in',
  'create-brief': 'created a brief',
  'edit-brief': 'changed a brief',
  'copy-brief': 'copied a brief',
  'delete-brief': 'deleted a brief',
  'create-class': 'created a class',
  'add-student': 'added a student',
  'rename-student': 'renamed a student',
  'reset-pin': 'gave a student a new PIN',
  'archive-student': 'archived a student',
  'restore-student': 'took a student back',
  'move-student': 'moved a student to another class',
  'delete-student': 'deleted a student with all work',
  'add-helper': 'added a helper',
  'remove-helper': 'removed a helper',
} as const;
export type Action = keyof typeof actions;

/** Writes down who did what; inside a transaction it is there when that is committed, and not at all otherwise. */
export async function record(
  db: Database,
  { id: actorId }: Person,
  action: Action,
  classId: string,
  subjectIds: readonly string[],
): Promise<void> {
  if (subjectIds.length === 0) return;
  await db.insert(auditLog).values(subjectIds.map((subjectId) => ({ actorId, action, subjectId, classId })));
}
