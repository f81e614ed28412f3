import { jsonb, pgTable, text, uuid } from 'drizzle-orm/pg-core';
import type { LimitsCard } from '@kelbrin/core/inspect';

/** What a printer can make and what the class allows. */
export const limitsCards = pgTable('limits_cards', {
  id: uuid('id').primaryKey().defaultRandom(),
  name: text('name').notNull(),
  card: jsonb('card').$type<LimitsCard>().notNull(),
});
