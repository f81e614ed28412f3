import { sql } from 'drizzle-orm';
import { index, integer, pgEnum, pgTable, text, timestamp, uniqueIndex, uuid } from 'drizzle-orm/pg-core';
import { briefs } from './briefs.ts';
import { printers } from './printers.ts';
import { projects } from './projects.ts';
import { users } from './users.ts';

/** What people are told: students of their project, teachers of all projects of a brief, the staff of a printer. */
export const noticeKind = pgEnum('notice_kind', [
  'sent_back',
  'refused',
  'approved',
  'printed',
  'handed_in',
  'in_doubt',
  'run_failed',
  'run_due',
  'run_waits',
  'run_silent',
  'print_failed',
  'part_failed',
  'brief_late',
  'printer_hot',
]);

/** Something that a person should know of; as long as it is not seen, more of the same is counted and not said again. */
export const notices = pgTable(
  'notices',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    personId: text('person_id')
      .notNull()
      .references(() => users.id, { onDelete: 'cascade' }),
    kind: noticeKind('kind').notNull(),
    /** What it is about: one of these three. */
    projectId: uuid('project_id').references(() => projects.id, { onDelete: 'cascade' }),
    briefId: uuid('brief_id').references(() => briefs.id, { onDelete: 'cascade' }),
    printerId: uuid('printer_id').references(() => printers.id, { onDelete: 'cascade' }),
    count: integer('count').notNull().default(1),
    at: timestamp('at', { withTimezone: true }).notNull().defaultNow(),
    seenAt: timestamp('seen_at', { withTimezone: true }),
  },
  (table) => [
    uniqueIndex('one_unseen_of_a_project')
      .on(table.personId, table.kind, table.projectId)
      .where(sql`${table.seenAt} is null`),
    uniqueIndex('one_unseen_of_a_brief')
      .on(table.personId, table.kind, table.briefId)
      .where(sql`${table.seenAt} is null`),
    uniqueIndex('one_unseen_of_a_printer')
      .on(table.personId, table.kind, table.printerId)
      .where(sql`${table.seenAt} is null`),
    index().on(table.personId, table.at),
  ],
);
