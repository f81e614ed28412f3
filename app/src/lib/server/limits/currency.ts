import { sql } from 'drizzle-orm';
import { classroomLimits, CURRENCY } from '@kelbrin/core/inspect';
import { ordinaryDay } from '../../shared/schoolDay.ts';
import { record } from '../platform/audit.ts';
import { demandRole, type Person } from '../platform/auth/access.ts';
import { CannotNow } from '../platform/basics/cannotNow.ts';
import type { Database } from '../platform/db/database.ts';
import { limitsCards, schools } from '../platform/db/schema/index.ts';
import { announce } from '../platform/live/topics.ts';

/** What the school counts its money in, as a code such as EUR. */
export async function currencyOf(db: Database): Promise<string> {
  const [school] = await db.select({ currency: schools.currency }).from(schools);
  return school?.currency ?? classroomLimits.currency;
}

/** The currencies that there are, so that a slip of the keys is not kept. */
const known: ReadonlySet<string> = new Set(Intl.supportedValuesOf('currency'));

/** Sets what the school counts its money in. The cards that parts are held against count in the same. */
export async function setCurrency(db: Database, person: Person, words: string): Promise<void> {
  demandRole(person, 'teacher');
  const currency = words.trim().toUpperCase();
  if (!CURRENCY.test(currency))
    throw new CannotNow('A currency is a code of three letters, such as EUR or GBP.');
  if (!known.has(currency))
    throw new CannotNow('{currency} is no currency. Write the three letters of yours, such as EUR or GBP.', {
      currency,
    });
  await db.transaction(async (tx) => {
    await tx
      .insert(schools)
      .values({ day: ordinaryDay, currency })
      .onConflictDoUpdate({ target: schools.id, set: { currency } });
    await tx
      .update(limitsCards)
      .set({ card: sql`jsonb_set(${limitsCards.card}, '{currency}', to_jsonb(${currency}::text))` });
  });
  await record(db, person, 'set-currency', null, [person.id]);
  await announce(db, 'printroom');
}
