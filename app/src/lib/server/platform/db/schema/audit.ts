import { index, pgTable, serial, text, timestamp, uuid } from 'drizzle-orm/pg-core';
import { classes } from './people.ts';

/**
 * Who did what to hand-ins, approvals, cards and people. People are named by their ids alone, so that nothing personal
 * is left of somebody who is deleted.
 */
export const auditLog = pgTable(
  'audit_log',
  {
    id: serial('id').primaryKey(),
    at: timestamp('at', { withTimezone: true }).notNull().defaultNow(),
    actorId: text('actor_id').notNull(),
    /** What was done; see `audit.ts`. */
    action: text('action').notNull(),
    /** The id of what it was done to. */
    subjectId: text('subject_id').notNull(),
    classId: uuid('class_id').references(() => classes.id, { onDelete: 'cascade' }),
  },
  (table) => [index().on(table.classId, table.at)],
);
