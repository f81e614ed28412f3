import {
  boolean,
  date,
  integer,
  pgTable,
  primaryKey,
  text,
  timestamp,
  unique,
  uuid,
} from 'drizzle-orm/pg-core';
import { bytes } from './bytes.ts';
import { guidanceDocument, recipeDocument, rulesDocument, taskDocument } from './documents.ts';
import { classes } from './people.ts';
import { users } from './users.ts';

/** What a brief says, whether it is set for a class or kept in a library. */
const saying = () => ({
  title: text('title').notNull(),
  task: taskDocument('task').notNull(),
  /** What a new project begins with; nothing when null. */
  starter: recipeDocument('starter'),
  /** What it asks of the part that can be checked. */
  rules: rulesDocument('rules').notNull().default({}),
  /** The prompts that lead students through it. */
  guidance: guidanceDocument('guidance').notNull().default([]),
  /** Whether the bench speaks in plain words, as for young students. */
  plainWords: boolean('plain_words').notNull().default(false),
  /** How often each part is printed. */
  copies: integer('copies').notNull().default(1),
});

/** A design task that a teacher sets. */
export const briefs = pgTable('briefs', {
  id: uuid('id').primaryKey().defaultRandom(),
  classId: uuid('class_id')
    .notNull()
    .references(() => classes.id, { onDelete: 'cascade' }),
  ...saying(),
  dueOn: date('due_on'),
  /** When its teacher was last told that not all of it will be printed in time. */
  lateToldAt: timestamp('late_told_at', { withTimezone: true }),
  /** Since when students see it: from the first time that it was saved with a title; null before. */
  shownAt: timestamp('shown_at', { withTimezone: true }).defaultNow(),
});

/** A teacher's library: briefs that are kept to be set again, for any class. */
export const keptBriefs = pgTable(
  'kept_briefs',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    teacherId: text('teacher_id')
      .notNull()
      .references(() => users.id, { onDelete: 'cascade' }),
    ...saying(),
    keptAt: timestamp('kept_at', { withTimezone: true }).notNull().defaultNow(),
  },
  (table) => [unique().on(table.teacherId, table.title)],
);

/** Pictures in the tasks that a teacher wrote, by the hash of their bytes. */
export const taskPictures = pgTable(
  'task_pictures',
  {
    teacherId: text('teacher_id')
      .notNull()
      .references(() => users.id, { onDelete: 'cascade' }),
    hash: text('hash').notNull(),
    /** Which kind of picture the bytes are, as `image/png`. */
    mediaType: text('media_type').notNull(),
    picture: bytes('picture').notNull(),
    addedAt: timestamp('added_at', { withTimezone: true }).notNull().defaultNow(),
  },
  (table) => [primaryKey({ columns: [table.teacherId, table.hash] })],
);
