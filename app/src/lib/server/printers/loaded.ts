import { and, asc, eq, isNotNull } from 'drizzle-orm';
import { grouped } from '../../shared/grouped.ts';
import type { Database } from '../platform/db/database.ts';
import { spools } from '../platform/db/schema/index.ts';

/** The rolls that are on printers, by their places. */
export async function rollsOfPrinters(
  db: Database,
): Promise<ReadonlyMap<string, readonly (typeof spools.$inferSelect)[]>> {
  const loaded = await db.select().from(spools).where(isNotNull(spools.printerId)).orderBy(asc(spools.place));
  return new Map(grouped(loaded, ({ printerId }) => printerId!));
}

/** The rolls that are on a printer, by their places. */
export function rollsOn(db: Database, printerId: string): Promise<(typeof spools.$inferSelect)[]> {
  return db.select().from(spools).where(eq(spools.printerId, printerId)).orderBy(asc(spools.place));
}

/** The roll at a place of a printer, if there is one. */
export async function rollAt(db: Database, printerId: string, place: number) {
  const [roll] = await db.select().from(spools).where(isAt(printerId, place));
  return roll as typeof spools.$inferSelect | undefined;
}

/** Notes that a roll is at a place of a printer; the one that was there lies on the shelf. */
export async function putOn(tx: Database, spoolId: string, printerId: string, place: number): Promise<void> {
  await clearPlace(tx, printerId, place);
  await tx.update(spools).set({ printerId, place }).where(eq(spools.id, spoolId));
}

/** Notes that nothing is at a place of a printer any more. */
export async function clearPlace(tx: Database, printerId: string, place: number): Promise<void> {
  await tx.update(spools).set({ printerId: null, place: 0 }).where(isAt(printerId, place));
}

function isAt(printerId: string, place: number) {
  return and(eq(spools.printerId, printerId), eq(spools.place, place));
}
