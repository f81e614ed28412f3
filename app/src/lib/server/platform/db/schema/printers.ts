import {
  index,
  integer,
  pgEnum,
  pgTable,
  real,
  serial,
  text,
  timestamp,
  unique,
  uuid,
  type AnyPgColumn,
} from 'drizzle-orm/pg-core';
import type { CareKind } from '../../../../shared/care.ts';
import { keptConnection, keptSheet, keptStatus, keptTrend } from './keptData.ts';
import { NO_ENTRIES } from './keptJson.ts';
import { users } from './users.ts';

/** A real roll of filament. */
export const spools = pgTable(
  'spools',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    /** What is written on the roll, so that it is found on the shelf. */
    number: serial('number').notNull().unique(),
    /** As it says on the roll: "PLA", and its colour as #rrggbb and in words. */
    material: text('material').notNull(),
    colour: text('colour').notNull(),
    colourName: text('colour_name').notNull(),
    /** Counted down by runs, corrected by weighing. */
    gramsLeft: real('grams_left').notNull(),
    /** What a kilogram of it cost, in the school's money; null where nobody noted it. */
    pricePerKg: real('price_per_kg'),
    weighedAt: timestamp('weighed_at', { withTimezone: true }),
    addedAt: timestamp('added_at', { withTimezone: true }).notNull().defaultNow(),
    /** Since when it is used up or thrown away. */
    goneAt: timestamp('gone_at', { withTimezone: true }),
    /** The printer that it is on; null on the shelf. */
    printerId: uuid('printer_id').references((): AnyPgColumn => printers.id, { onDelete: 'set null' }),
    /** Which of its places, counted from 0; printers that do not change filament by themselves have one. */
    place: integer('place').notNull().default(0),
  },
  (table) => [unique('one_roll_a_place').on(table.printerId, table.place)],
);

/** What a model of printer is like, shared by the printers of it. */
export const machineSheets = pgTable('machine_sheets', {
  id: uuid('id').primaryKey().defaultRandom(),
  name: text('name').notNull().unique(),
  sheet: keptSheet('sheet').notNull(),
});

export const printers = pgTable('printers', {
  id: uuid('id').primaryKey().defaultRandom(),
  name: text('name').notNull().unique(),
  model: text('model').notNull(),
  /** The sheet of its model; without one it is spoken to as most printers are. */
  sheetId: uuid('sheet_id').references(() => machineSheets.id),
  /** How it is reached. */
  connection: keptConnection('connection').notNull(),
  status: keptStatus('status'),
  seenAt: timestamp('seen_at', { withTimezone: true }),
  /** Since when it has been heated with nothing to print, and when people were told of that. */
  hotSince: timestamp('hot_since', { withTimezone: true }),
  hotToldAt: timestamp('hot_told_at', { withTimezone: true }),
  /** How warm it was over the last minutes. */
  trend: keptTrend('trend').notNull().default(NO_ENTRIES),
  /** Since when it is no longer used; what it has printed is kept. */
  retiredAt: timestamp('retired_at', { withTimezone: true }),
});

/** The book of care: when something of a printer was looked after, by whom. */
export const printerCare = pgTable(
  'printer_care',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    printerId: uuid('printer_id')
      .notNull()
      .references(() => printers.id, { onDelete: 'cascade' }),
    kind: text('kind').$type<CareKind>().notNull(),
    note: text('note').notNull().default(''),
    by: text('by').references(() => users.id, { onDelete: 'set null' }),
    at: timestamp('at', { withTimezone: true }).notNull().defaultNow(),
  },
  (table) => [index().on(table.printerId, table.kind, table.at)],
);

/** Which process keeps a printer: whoever took the lease last, until it ends. See `printers/printerLease.ts`. */
export const printerLeases = pgTable('printer_leases', {
  printerId: uuid('printer_id')
    .primaryKey()
    .references(() => printers.id, { onDelete: 'cascade' }),
  /** Goes up each time that the lease changes hands. */
  fence: integer('fence').notNull(),
  heldUntil: timestamp('held_until', { withTimezone: true }).notNull(),
});

/** How far a change of filament is; see `printing/filament/lifecycle.ts`. */
export const changeStep = pgEnum('change_step', [
  'heating',
  'hot',
  'unloading',
  'empty',
  'loading',
  'loaded',
  'purging',
  'cooling',
]);

/** A change of filament that is under way on a printer. */
export const filamentChanges = pgTable('filament_changes', {
  printerId: uuid('printer_id')
    .primaryKey()
    .references(() => printers.id, { onDelete: 'cascade' }),
  /** Which of the printer's places the roll comes to, counted from 0. */
  place: integer('place').notNull().default(0),
  /** The roll that is put on. */
  spoolId: uuid('spool_id')
    .notNull()
    .unique()
    .references(() => spools.id, { onDelete: 'cascade' }),
  step: changeStep('step').notNull().default('heating'),
  /** Hot enough for what is in the nozzle and for what comes. */
  nozzleC: real('nozzle_c').notNull(),
  /** When it came to its step; a hot nozzle is not left alone for long. */
  steppedAt: timestamp('stepped_at', { withTimezone: true }).notNull().defaultNow(),
});
