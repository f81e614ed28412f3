import { pgTable, text, uuid } from 'drizzle-orm/pg-core';
import { limitsDocument } from './documents.ts';
import { users } from './users.ts';

/** What a printer can make and what the class allows. */
export const limitsCards = pgTable('limits_cards', {
  id: uuid('id').primaryKey().defaultRandom(),
  name: text('name').notNull(),
  /** The printers that it is for, as they are called. */
  printerModel: text('printer_model').notNull().default(''),
  /** The teacher whose card it is; null for the school's, which every teacher may use and change. */
  ownerId: text('owner_id').references(() => users.id, { onDelete: 'set null' }),
  card: limitsDocument('card').notNull(),
});
