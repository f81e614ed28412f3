import { sql } from 'drizzle-orm';
import {
  doublePrecision,
  index,
  integer,
  pgEnum,
  pgTable,
  primaryKey,
  text,
  timestamp,
  unique,
  uniqueIndex,
  uuid,
} from 'drizzle-orm/pg-core';
import { briefs } from './briefs.ts';
import { bytes } from './bytes.ts';
import { designDocument, limitsDocument, recipeDocument, rulesDocument } from './documents.ts';
import {
  keptArguments,
  keptColours,
  keptEstimate,
  keptFootprint,
  keptSupportMarks,
  keptInspection,
  keptReport,
} from './keptData.ts';
import { NO_ENTRIES } from './keptJson.ts';
import { users } from './users.ts';

/** One student's, or a team's, answer to a brief; a team's stands under the one who was in it first. */
export const projects = pgTable(
  'projects',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    briefId: uuid('brief_id')
      .notNull()
      .references(() => briefs.id, { onDelete: 'cascade' }),
    studentId: text('student_id')
      .notNull()
      .references(() => users.id, { onDelete: 'cascade' }),
    design: designDocument('design').notNull(),
    /** Goes up with every save; a save must name the one it was made from. */
    revision: integer('revision').notNull().default(0),
    /** The keys of the last saves, the newest first; a bench whose answer was lost finds its save among them. */
    saves: text('saves').array().notNull().default([]),
    /** The ids of the prompts that the student ticked off by hand. */
    tickedPrompts: text('ticked_prompts').array().notNull().default([]),
    /** Since when the student asks for help; null when there is no need. */
    helpAskedAt: timestamp('help_asked_at', { withTimezone: true }),
    begunAt: timestamp('begun_at', { withTimezone: true }).notNull().defaultNow(),
    updatedAt: timestamp('updated_at', { withTimezone: true }).notNull().defaultNow(),
  },
  (table) => [unique().on(table.briefId, table.studentId), index().on(table.studentId)],
);

/** Students who work on a project with the one whose it is; each has one project for a brief. */
export const teamMembers = pgTable(
  'team_members',
  {
    projectId: uuid('project_id')
      .notNull()
      .references(() => projects.id, { onDelete: 'cascade' }),
    studentId: text('student_id')
      .notNull()
      .references(() => users.id, { onDelete: 'cascade' }),
  },
  (table) => [primaryKey({ columns: [table.projectId, table.studentId] }), index().on(table.studentId)],
);

/** Where each of a team works, who is at the project now; what is older than a minute says nothing any more. */
export const seats = pgTable(
  'seats',
  {
    projectId: uuid('project_id')
      .notNull()
      .references(() => projects.id, { onDelete: 'cascade' }),
    personId: text('person_id')
      .notNull()
      .references(() => users.id, { onDelete: 'cascade' }),
    partId: text('part_id').notNull(),
    stepId: text('step_id'),
    at: timestamp('at', { withTimezone: true }).notNull().defaultNow(),
  },
  (table) => [primaryKey({ columns: [table.projectId, table.personId] }), index().on(table.personId)],
);

/** What a teacher points at in a project, for those who work on it to see. */
export const pointers = pgTable(
  'pointers',
  {
    projectId: uuid('project_id')
      .primaryKey()
      .references(() => projects.id, { onDelete: 'cascade' }),
    teacherId: text('teacher_id')
      .notNull()
      .references(() => users.id, { onDelete: 'cascade' }),
    partId: text('part_id').notNull(),
    stepId: text('step_id'),
    /** The place on the solid, x, y and z; null where a whole sentence is pointed at. */
    placeMm: doublePrecision('place_mm').array(),
    words: text('words').notNull(),
    at: timestamp('at', { withTimezone: true }).notNull().defaultNow(),
  },
  (table) => [index().on(table.teacherId)],
);

/**
 * What the bench of a project last said of itself, for the lesson view. Nothing is decided by it: a hand-in is inspected
 * by the server.
 */
export const pulses = pgTable('pulses', {
  projectId: uuid('project_id')
    .primaryKey()
    .references(() => projects.id, { onDelete: 'cascade' }),
  report: keptReport('report').notNull(),
  at: timestamp('at', { withTimezone: true }).notNull().defaultNow(),
});

/** For how long a check failed in a project while it was designed, by what its bench said. */
export const failings = pgTable(
  'failings',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    projectId: uuid('project_id')
      .notNull()
      .references(() => projects.id, { onDelete: 'cascade' }),
    /** The id of the check. */
    check: text('check').notNull(),
    since: timestamp('since', { withTimezone: true }).notNull().defaultNow(),
    /** When it was mended; null while it fails. */
    until: timestamp('until', { withTimezone: true }),
  },
  (table) => [
    index().on(table.projectId),
    uniqueIndex('one_failing_a_check')
      .on(table.projectId, table.check)
      .where(sql`${table.until} is null`),
  ],
);

/** A kept state of a project, by its student or because it was handed in. */
export const versions = pgTable(
  'versions',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    projectId: uuid('project_id')
      .notNull()
      .references(() => projects.id, { onDelete: 'cascade' }),
    /** Counts the versions of a project from 1. */
    number: integer('number').notNull(),
    name: text('name').notNull(),
    design: designDocument('design').notNull(),
    createdAt: timestamp('created_at', { withTimezone: true }).notNull().defaultNow(),
  },
  (table) => [unique().on(table.projectId, table.number)],
);

/** Where a hand-in stands; see `handIns/lifecycle.ts`. */
export const handInState = pgEnum('hand_in_state', [
  'checking',
  'refused',
  'waiting',
  'sent_back',
  'approved',
  'withdrawn',
]);

/** A version of a project given to the teacher; the recipe of the part that is handed in is frozen as it was. */
export const handIns = pgTable(
  'hand_ins',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    projectId: uuid('project_id')
      .notNull()
      .references(() => projects.id, { onDelete: 'cascade' }),
    /** Counts the hand-ins of a project from 1. */
    number: integer('number').notNull(),
    versionId: uuid('version_id')
      .notNull()
      .references(() => versions.id, { onDelete: 'cascade' }),
    /** Which part of the design it is, and what that is called. */
    partId: text('part_id').notNull(),
    part: text('part').notNull(),
    recipe: recipeDocument('recipe').notNull(),
    limits: limitsDocument('limits').notNull(),
    /** What the brief asked when it was handed in. */
    rules: rulesDocument('rules').notNull().default({}),
    state: handInState('state').notNull().default('checking'),
    /** How often its inspection was begun, by whom it was last, and when that was last heard of. */
    inspectionTries: integer('inspection_tries').notNull().default(0),
    inspectionClaim: uuid('inspection_claim'),
    inspectingSince: timestamp('inspecting_since', { withTimezone: true }),
    /** What the student wrote with it, and why something that fails has to be so. */
    note: text('note').notNull().default(''),
    arguments: keptArguments('arguments').notNull().default(NO_ENTRIES),
    /** When the teacher first looked at it. */
    seenAt: timestamp('seen_at', { withTimezone: true }),
    /** What the teacher marked on it for supports. */
    supportMarks: keptSupportMarks('support_marks').notNull().default(NO_ENTRIES),
    /** The server's own inspection of exactly the solid with `solidHash`. */
    inspection: keptInspection('inspection'),
    solidHash: text('solid_hash').references(() => solids.hash),
    /** What that takes, and what it covers of a plate, by these limits: by others the same solid takes something else. */
    estimate: keptEstimate('estimate'),
    footprint: keptFootprint('footprint'),
    /** Why the recipe could not be built, if it could not. */
    problem: text('problem'),
    /** What the teacher wrote with the decision. */
    comment: text('comment'),
    /** Why an approval no longer holds since the limits changed; null while it does. */
    doubt: text('doubt'),
    decidedBy: text('decided_by').references(() => users.id),
    decidedAt: timestamp('decided_at', { withTimezone: true }),
    createdAt: timestamp('created_at', { withTimezone: true }).notNull().defaultNow(),
  },
  (table) => [unique().on(table.projectId, table.number), index().on(table.state)],
);

/** Solids by the hash of their 3MF file, so that an inspection and an approval speak of the very same thing. */
export const solids = pgTable('solids', {
  hash: text('hash').primaryKey(),
  threeMf: bytes('three_mf').notNull(),
  stl: bytes('stl').notNull(),
  stlHash: text('stl_hash').notNull(),
  colours: keptColours('colours').notNull().default(NO_ENTRIES),
});

/** Meshes that a project imports, as binary STL by the hash of that; only the project's own steps find them. */
export const projectFiles = pgTable(
  'project_files',
  {
    projectId: uuid('project_id')
      .notNull()
      .references(() => projects.id, { onDelete: 'cascade' }),
    hash: text('hash').notNull(),
    stl: bytes('stl').notNull(),
  },
  (table) => [primaryKey({ columns: [table.projectId, table.hash] })],
);

/**
 * Pictures of recipes by the hash of what they show, drawn when first asked for. They go with the project that they were drawn for,
 * and those of examples, which are nobody's, stay.
 */
export const pictures = pgTable('pictures', {
  hash: text('hash').primaryKey(),
  projectId: uuid('project_id').references(() => projects.id, { onDelete: 'cascade' }),
  png: bytes('png').notNull(),
});
