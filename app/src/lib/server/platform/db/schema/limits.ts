import { sql } from 'drizzle-orm';
import { pgTable, real, text, uniqueIndex, uuid } from 'drizzle-orm/pg-core';
import { limitsDocument } from './documents.ts';
import { keptMaterial } from './keptData.ts';
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

/** What the school has noted of a material; of others ordinary values hold. */
export const materials = pgTable(
  'materials',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    /** As it says on the rolls. */
    name: text('name').notNull(),
    needs: keptMaterial('needs').notNull(),
    /** What a kilogram costs, in the school's money; null where nobody noted it. */
    pricePerKg: real('price_per_kg'),
    /** How it is dried before it is used. */
    drying: text('drying').notNull().default(''),
  },
  (table) => [uniqueIndex('one_of_a_name').on(sql`lower(${table.name})`)],
);
