import { pgTable, text, uuid } from 'drizzle-orm/pg-core';
import { limitsDocument } from './documents.ts';

/** What a printer can make and what the class allows. */
export const limitsCards = pgTable('limits_cards', {
  id: uuid('id').primaryKey().defaultRandom(),
  name: text('name').notNull(),
  card: limitsDocument('card').notNull(),
});
