import {
  boolean,
  type AnyPgColumn,
  index,
  integer,
  pgTable,
  primaryKey,
  text,
  timestamp,
  unique,
  uuid,
} from 'drizzle-orm/pg-core';
import { DEFAULT_FILE_PATTERN } from '@kelbrin/core/format/kept';
import { limitsCards } from './limits.ts';
import { role, users } from './users.ts';

const created = () => timestamp('created_at', { withTimezone: true }).notNull().defaultNow();
const updated = () => timestamp('updated_at', { withTimezone: true }).notNull().defaultNow();

export const sessions = pgTable(
  'sessions',
  {
    id: text('id').primaryKey(),
    token: text('token').notNull().unique(),
    userId: text('user_id')
      .notNull()
      .references(() => users.id, { onDelete: 'cascade' }),
    expiresAt: timestamp('expires_at', { withTimezone: true }).notNull(),
    ipAddress: text('ip_address'),
    userAgent: text('user_agent'),
    createdAt: created(),
    updatedAt: updated(),
  },
  (table) => [index().on(table.userId)],
);

/** How a person proves who they are; here always a password or PIN, stored as a hash. */
export const accounts = pgTable(
  'accounts',
  {
    id: text('id').primaryKey(),
    userId: text('user_id')
      .notNull()
      .references(() => users.id, { onDelete: 'cascade' }),
    accountId: text('account_id').notNull(),
    providerId: text('provider_id').notNull(),
    password: text('password'),
    accessToken: text('access_token'),
    refreshToken: text('refresh_token'),
    idToken: text('id_token'),
    accessTokenExpiresAt: timestamp('access_token_expires_at', { withTimezone: true }),
    refreshTokenExpiresAt: timestamp('refresh_token_expires_at', { withTimezone: true }),
    scope: text('scope'),
    createdAt: created(),
    updatedAt: updated(),
  },
  (table) => [index().on(table.userId)],
);

export const verifications = pgTable('verifications', {
  id: text('id').primaryKey(),
  identifier: text('identifier').notNull(),
  value: text('value').notNull(),
  expiresAt: timestamp('expires_at', { withTimezone: true }).notNull(),
  createdAt: created(),
  updatedAt: updated(),
});

/** Failed sign-ins by what was tried, so that a PIN cannot be guessed. */
export const signInAttempts = pgTable(
  'sign_in_attempts',
  {
    key: text('key').primaryKey(),
    failures: integer('failures').notNull(),
    /** When the counting began. */
    since: timestamp('since', { withTimezone: true }).notNull(),
    /** The class that was tried for, where there is one, and the sign-in name where it is one name alone that is counted. */
    classId: uuid('class_id').references((): AnyPgColumn => classes.id, { onDelete: 'cascade' }),
    signInName: text('sign_in_name'),
  },
  (table) => [index().on(table.classId)],
);

/**
 * Browsers in which somebody signed in before, by the hash of a random number that they keep. `scope` is the class of a
 * student, and the person for staff.
 */
export const knownDevices = pgTable(
  'known_devices',
  {
    deviceHash: text('device_hash').notNull(),
    scope: text('scope').notNull(),
    usedAt: timestamp('used_at', { withTimezone: true }).notNull().defaultNow(),
  },
  (table) => [primaryKey({ columns: [table.deviceHash, table.scope] })],
);

/** Links that let somebody in once: a colleague who is invited, or one who gets a new password. */
export const entryLinks = pgTable('entry_links', {
  /** The hash of what stands in the link, which is told once and kept nowhere. */
  tokenHash: text('token_hash').primaryKey(),
  /** Who gets a new password; null for somebody who is invited. */
  userId: text('user_id').references(() => users.id, { onDelete: 'cascade' }),
  /** What somebody who is invited will be, and of which class a helper. */
  role: role('role').notNull(),
  classId: uuid('class_id').references((): AnyPgColumn => classes.id, { onDelete: 'cascade' }),
  createdBy: text('created_by')
    .notNull()
    .references(() => users.id, { onDelete: 'cascade' }),
  createdAt: created(),
  expiresAt: timestamp('expires_at', { withTimezone: true }).notNull(),
});

export const classes = pgTable('classes', {
  id: uuid('id').primaryKey().defaultRandom(),
  name: text('name').notNull(),
  /** What students type to say which class they are in. */
  code: text('code').notNull().unique(),
  teacherId: text('teacher_id')
    .notNull()
    .references(() => users.id),
  limitsCardId: uuid('limits_card_id')
    .notNull()
    .references(() => limitsCards.id),
  /** How the files of the class are called; see `fileName` in the core. */
  filePattern: text('file_pattern').notNull().default(DEFAULT_FILE_PATTERN),
  /** Whether everyone of the class sees what was approved. */
  galleryOpen: boolean('gallery_open').notNull().default(false),
});

/** Students and helpers of a class. */
export const classMembers = pgTable(
  'class_members',
  {
    classId: uuid('class_id')
      .notNull()
      .references(() => classes.id, { onDelete: 'cascade' }),
    userId: text('user_id')
      .notNull()
      .references(() => users.id, { onDelete: 'cascade' }),
    /** The name a student signs in with; helpers sign in by e-mail and have none. */
    signInName: text('sign_in_name'),
    /** Since when a student is not in the class any more; work and name are kept, but there is no signing in. */
    archivedAt: timestamp('archived_at', { withTimezone: true }),
  },
  (table) => [
    primaryKey({ columns: [table.classId, table.userId] }),
    unique().on(table.classId, table.signInName),
    index().on(table.userId),
  ],
);
