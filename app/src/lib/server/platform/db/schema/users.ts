import { boolean, pgEnum, pgTable, text, timestamp } from 'drizzle-orm/pg-core';

/** What a person may do; see `auth/access.ts`. */
export const role = pgEnum('role', ['student', 'teacher', 'helper']);

/** Everyone who signs in. Students have no address of their own: theirs is made up and never shown or written to. */
export const users = pgTable('users', {
  id: text('id').primaryKey(),
  /** What the person is called on screen. */
  name: text('name').notNull(),
  email: text('email').notNull().unique(),
  emailVerified: boolean('email_verified').notNull().default(false),
  image: text('image'),
  role: role('role').notNull().default('student'),
  /** Since when a teacher or helper may not sign in any more; what they did stays theirs. */
  disabledAt: timestamp('disabled_at', { withTimezone: true }),
  createdAt: timestamp('created_at', { withTimezone: true }).notNull().defaultNow(),
  updatedAt: timestamp('updated_at', { withTimezone: true }).notNull().defaultNow(),
});
