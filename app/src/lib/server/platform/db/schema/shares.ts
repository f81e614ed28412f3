import { index, pgTable, text, timestamp, uuid } from 'drizzle-orm/pg-core';
import { versions } from './projects.ts';

/** A link by which whoever has it may look at one version of a project, until it expires or is taken back. */
export const shares = pgTable(
  'shares',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    /** What cannot be guessed in the link. */
    token: text('token').notNull().unique(),
    versionId: uuid('version_id')
      .notNull()
      .references(() => versions.id, { onDelete: 'cascade' }),
    expiresAt: timestamp('expires_at', { withTimezone: true }).notNull(),
    createdAt: timestamp('created_at', { withTimezone: true }).notNull().defaultNow(),
  },
  (table) => [index().on(table.versionId)],
);
