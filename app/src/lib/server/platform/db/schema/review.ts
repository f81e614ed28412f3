import { index, pgTable, primaryKey, text, timestamp, unique, uuid } from 'drizzle-orm/pg-core';
import { keptAnchor } from './keptData.ts';
import { users } from './users.ts';
import { handIns } from './projects.ts';

/** What a teacher wrote at a sentence or a place of a hand-in; the student reads it with the decision. */
export const remarks = pgTable(
  'remarks',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    handInId: uuid('hand_in_id')
      .notNull()
      .references(() => handIns.id, { onDelete: 'cascade' }),
    authorId: text('author_id')
      .notNull()
      .references(() => users.id),
    words: text('words').notNull(),
    /** Where it stands. */
    anchor: keptAnchor('anchor').notNull(),
    createdAt: timestamp('created_at', { withTimezone: true }).notNull().defaultNow(),
  },
  (table) => [index().on(table.handInId)],
);

/** Remarks that a teacher keeps to write again with one press. */
export const keptRemarks = pgTable(
  'kept_remarks',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    teacherId: text('teacher_id')
      .notNull()
      .references(() => users.id, { onDelete: 'cascade' }),
    words: text('words').notNull(),
    keptAt: timestamp('kept_at', { withTimezone: true }).notNull().defaultNow(),
  },
  (table) => [unique().on(table.teacherId, table.words)],
);

/** A check that failed and was waived with the approval: by whom, when and why. */
export const waivers = pgTable(
  'waivers',
  {
    handInId: uuid('hand_in_id')
      .notNull()
      .references(() => handIns.id, { onDelete: 'cascade' }),
    /** The id of the check. */
    check: text('check').notNull(),
    reason: text('reason').notNull(),
    waivedBy: text('waived_by')
      .notNull()
      .references(() => users.id),
    waivedAt: timestamp('waived_at', { withTimezone: true }).notNull().defaultNow(),
  },
  (table) => [primaryKey({ columns: [table.handInId, table.check] })],
);
