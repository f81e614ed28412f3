import { sql } from 'drizzle-orm';
import {
  type AnyPgColumn,
  boolean,
  doublePrecision,
  foreignKey,
  index,
  integer,
  pgEnum,
  pgTable,
  primaryKey,
  real,
  serial,
  text,
  timestamp,
  unique,
  uniqueIndex,
  uuid,
} from 'drizzle-orm/pg-core';
import type { OutcomeKind } from '../../../../shared/outcome.ts';
import type { PauseReason } from '../../../../shared/pauseReason.ts';
import { bytes } from './bytes.ts';
import {
  keptChoice,
  keptColours,
  keptDay,
  keptPlanning,
  keptEstimate,
  keptFootprint,
  keptSupportMarks,
  keptPartChoice,
  keptSizes,
  keptRolls,
  keptStartChecks,
} from './keptData.ts';
import { NO_ENTRIES } from './keptJson.ts';
import { printers, spools } from './printers.ts';
import { users } from './users.ts';
import { handIns } from './projects.ts';

/** The frozen solid of an approved hand-in. Its hashes are checked each time it is used. */
export const printFiles = pgTable('print_files', {
  id: uuid('id').primaryKey().defaultRandom(),
  handInId: uuid('hand_in_id')
    .notNull()
    .unique()
    .references(() => handIns.id, { onDelete: 'cascade' }),
  /** The file of an earlier version whose place in the queue this one took. */
  replaces: uuid('replaces').references((): AnyPgColumn => printFiles.id, { onDelete: 'set null' }),
  name: text('name').notNull(),
  hash: text('hash').notNull(),
  threeMf: bytes('three_mf').notNull(),
  stlHash: text('stl_hash').notNull(),
  stl: bytes('stl').notNull(),
  estimate: keptEstimate('estimate').notNull(),
  /** What it covers of a plate; see `@kelbrin/core/plate`. */
  footprint: keptFootprint('footprint').notNull(),
  /** In which filament it is printed, from which height on; no entries where any will do. */
  colours: keptColours('colours').notNull().default(NO_ENTRIES),
  /** Which of its faces supports keep away from, or hold. */
  supportMarks: keptSupportMarks('support_marks').notNull().default(NO_ENTRIES),
  frozenAt: timestamp('frozen_at', { withTimezone: true }).notNull().defaultNow(),
});

/** Where a part stands in the queue; see `printing/queue/lifecycle.ts`. */
export const queueState = pgEnum('queue_state', ['waiting', 'laid', 'printing', 'printed', 'dropped']);

/** A print file's place in the queue; a file of which several copies are wanted has one for each. */
export const queueEntries = pgTable(
  'queue_entries',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    printFileId: uuid('print_file_id')
      .notNull()
      .references(() => printFiles.id, { onDelete: 'cascade' }),
    /** Counts the copies of a file from 1. */
    copy: integer('copy').notNull().default(1),
    state: queueState('state').notNull().default('waiting'),
    position: serial('position').notNull(),
    joinedAt: timestamp('joined_at', { withTimezone: true }).notNull().defaultNow(),
    /** Its place where somebody has put it there by hand, between those of its neighbours; null where the rules put it. */
    handOrder: doublePrecision('hand_order'),
    /** Since when it is held back, by hand; null while it may be printed. */
    heldAt: timestamp('held_at', { withTimezone: true }),
  },
  (table) => [unique().on(table.printFileId, table.copy), index().on(table.state)],
);

/** Where a run stands; see `printing/runs/lifecycle.ts`. */
export const runState = pgEnum('run_state', [
  'preparing',
  'sending',
  'printing',
  'finished',
  'failed',
  'cancelled',
]);

/** The states in which a run holds its printer and its batch. */
export const ACTIVE_RUN = ['preparing', 'sending', 'printing'] as const;

/** Where a batch stands; see `printing/batches/lifecycle.ts`. */
export const batchState = pgEnum('batch_state', ['laid', 'printing', 'printed', 'discarded']);

/** Parts laid on one plate, to be printed together. */
export const batches = pgTable('batches', {
  id: uuid('id').primaryKey().defaultRandom(),
  /** What people write on it and say: "batch 12". */
  number: serial('number').notNull().unique(),
  state: batchState('state').notNull().default('laid'),
  choice: keptChoice('choice').notNull(),
  /** What it takes, by the server's own slicing; null until it was sliced as it is. */
  estimate: keptEstimate('estimate'),
  /** The printer that it is meant for; it may be started on another. */
  plannedFor: uuid('planned_for').references(() => printers.id, { onDelete: 'set null' }),
  createdBy: text('created_by')
    .notNull()
    .references(() => users.id),
  createdAt: timestamp('created_at', { withTimezone: true }).notNull().defaultNow(),
});

/** A place on a batch, and what came of the part there. */
export const batchParts = pgTable(
  'batch_parts',
  {
    batchId: uuid('batch_id')
      .notNull()
      .references(() => batches.id, { onDelete: 'cascade' }),
    queueEntryId: uuid('queue_entry_id')
      .notNull()
      .references(() => queueEntries.id, { onDelete: 'cascade' }),
    /** The middle of the part's box, from the front left corner of the plate. */
    xMm: real('x_mm').notNull(),
    yMm: real('y_mm').notNull(),
    turnDeg: real('turn_deg').notNull(),
    /** What was chosen for it alone; null where it is printed as the batch is. */
    ownChoice: keptPartChoice('own_choice'),
    /** Whether it is to be printed there still; once the batch is printed, it is not. */
    isCurrent: boolean('is_current').notNull().default(true),
    outcome: text('outcome').$type<OutcomeKind>(),
    outcomeNote: text('outcome_note').notNull().default(''),
    outcomePhoto: bytes('outcome_photo'),
    /** Sizes that were measured: left to right, front to back and up, or the first of them. */
    measuredMm: keptSizes('measured_mm'),
    outcomeAt: timestamp('outcome_at', { withTimezone: true }),
    /** Who wrote it down; null where that person is gone, or it was before Kelbrin noted it. */
    outcomeBy: text('outcome_by').references(() => users.id, { onDelete: 'set null' }),
    /** When its supports were broken off, and by whom; null while they are not, or it has none. */
    supportsOffAt: timestamp('supports_off_at', { withTimezone: true }),
    supportsOffBy: text('supports_off_by').references(() => users.id, { onDelete: 'set null' }),
    /** When it was handed to whom it belongs. */
    handedOutAt: timestamp('handed_out_at', { withTimezone: true }),
  },
  (table) => [
    primaryKey({ columns: [table.batchId, table.queueEntryId] }),
    // A part is on one batch at a time, so that nobody prints it twice.
    uniqueIndex('one_batch_a_part')
      .on(table.queueEntryId)
      .where(sql`${table.isCurrent}`),
  ],
);

/** An outcome that was corrected later: what was written down before, by whom and when. */
export const correctedOutcomes = pgTable(
  'corrected_outcomes',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    batchId: uuid('batch_id').notNull(),
    queueEntryId: uuid('queue_entry_id').notNull(),
    outcome: text('outcome').$type<OutcomeKind>().notNull(),
    note: text('note').notNull(),
    by: text('by').references(() => users.id, { onDelete: 'set null' }),
    at: timestamp('at', { withTimezone: true }),
    correctedBy: text('corrected_by').references(() => users.id, { onDelete: 'set null' }),
    correctedAt: timestamp('corrected_at', { withTimezone: true }).notNull().defaultNow(),
  },
  (table) => [
    foreignKey({
      columns: [table.batchId, table.queueEntryId],
      foreignColumns: [batchParts.batchId, batchParts.queueEntryId],
    }).onDelete('cascade'),
    index().on(table.batchId, table.queueEntryId),
  ],
);

/** One print of a batch on one printer, from start to end. */
export const runs = pgTable(
  'runs',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    printerId: uuid('printer_id')
      .notNull()
      .references(() => printers.id),
    batchId: uuid('batch_id')
      .notNull()
      .references(() => batches.id, { onDelete: 'cascade' }),
    /** The roll that it prints from; where the printer changes between several, that of the first colour. */
    spoolId: uuid('spool_id').references(() => spools.id, { onDelete: 'set null' }),
    /** Where each colour comes from, from below, on a printer that changes between several rolls; null on any other. */
    rolls: keptRolls('rolls'),
    state: runState('state').notNull().default('preparing'),
    /** How much of its batch is sliced, or while it is sent, how much of it the printer has, from 0 to 1. */
    prepared: real('prepared').notNull().default(0),
    /** How much is printed, from 0 to 1. */
    progress: real('progress').notNull().default(0),
    /** The progress at which each layer begins, from below; null until it is known. */
    layerStarts: real('layer_starts').array(),
    /** The progress from which on it prints from its roll; what came before was taken off the rolls before. */
    spoolFrom: real('spool_from').notNull().default(0),
    /** What the file is called on the printer; it tells this run's file from any other. */
    fileName: text('file_name').notNull().unique(),
    /** When the printer had the whole file. */
    sentAt: timestamp('sent_at', { withTimezone: true }),
    estimateS: real('estimate_s').notNull(),
    /** What went wrong, in a sentence. */
    problem: text('problem'),
    /** Why it stands still, as the printer says; null while it goes on. */
    pausedFor: text('paused_for').$type<PauseReason>(),
    /** What somebody wants the printer to do with it next. */
    wish: text('wish').$type<'pause' | 'resume'>(),
    /** What a person said of it where nothing is connected to the printer: when it was begun and done, or why it failed. */
    begunByHandAt: timestamp('begun_by_hand_at', { withTimezone: true }),
    doneByHandAt: timestamp('done_by_hand_at', { withTimezone: true }),
    failedByHand: text('failed_by_hand'),
    /** When a person was asked whether it is done. */
    askedAt: timestamp('asked_at', { withTimezone: true }),
    /** When people were told that its printer answers no more. */
    silenceToldAt: timestamp('silence_told_at', { withTimezone: true }),
    /** When someone asked for the run to be given up. */
    cancelAskedAt: timestamp('cancel_asked_at', { withTimezone: true }),
    startedBy: text('started_by')
      .notNull()
      .references(() => users.id),
    /** What they ticked off before it was started. */
    startChecks: keptStartChecks('start_checks').notNull().default(NO_ENTRIES),
    startedAt: timestamp('started_at', { withTimezone: true }).notNull().defaultNow(),
    endedAt: timestamp('ended_at', { withTimezone: true }),
    /** When somebody said that the plate is clear of it; null while the part may lie there. */
    clearedAt: timestamp('cleared_at', { withTimezone: true }),
  },
  (table) => [
    index().on(table.batchId),
    // However many people press the button at once, a printer has one run and a batch is printed once at a time.
    uniqueIndex('one_run_a_printer')
      .on(table.printerId)
      .where(sql`${table.state} in ('preparing', 'sending', 'printing')`),
    uniqueIndex('one_run_a_batch')
      .on(table.batchId)
      .where(sql`${table.state} in ('preparing', 'sending', 'printing')`),
  ],
);

/** A batch that somebody put at a time on a printer in the plan of the week, before it is laid. */
export const planPins = pgTable('plan_pins', {
  id: uuid('id').primaryKey().defaultRandom(),
  printerId: uuid('printer_id')
    .notNull()
    .references(() => printers.id, { onDelete: 'cascade' }),
  startAt: timestamp('start_at', { withTimezone: true }).notNull(),
  by: text('by').references(() => users.id, { onDelete: 'set null' }),
});

/** The parts of it; those that do not wait any more are passed over. */
export const planPinParts = pgTable(
  'plan_pin_parts',
  {
    queueEntryId: uuid('queue_entry_id')
      .primaryKey()
      .references(() => queueEntries.id, { onDelete: 'cascade' }),
    pinId: uuid('pin_id')
      .notNull()
      .references(() => planPins.id, { onDelete: 'cascade' }),
  },
  (table) => [index().on(table.pinId)],
);

/** What holds for the whole school; there is one row. */
export const schools = pgTable('school', {
  id: integer('id').primaryKey().default(1),
  day: keptDay('day').notNull(),
  /** What money is counted in, by its code of ISO 4217. */
  currency: text('currency').notNull().default('EUR'),
  /** When somebody is there to clear plates; null as long as nobody said so. */
  planning: keptPlanning('planning'),
});
