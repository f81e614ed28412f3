import { and, eq, isNull } from 'drizzle-orm';
import { demandRole, isId, NotAllowed, type Person } from '../../platform/auth/access.ts';
import type { Database } from '../../platform/db/database.ts';
import { batches, printers } from '../../platform/db/schema/index.ts';
import { announce } from '../../platform/live/topics.ts';
import { openBatch } from './batchParts.ts';

/** Plans a batch for a printer, or for none. */
export async function planBatch(
  db: Database,
  person: Person,
  batchId: string,
  printerId: string | undefined,
): Promise<void> {
  demandRole(person, 'teacher', 'helper');
  await db.transaction(async (tx) => {
    const batch = await openBatch(tx, batchId);
    const plannedFor = await printerToPlan(tx, printerId);
    await tx.update(batches).set({ plannedFor }).where(eq(batches.id, batch.id));
    await announce(tx, 'printroom');
  });
}

/** The printer that a batch is to be planned for, if it is in use; null for none. Throws for one that is not. */
export async function printerToPlan(tx: Database, printerId: string | undefined): Promise<string | null> {
  if (printerId === undefined) return null;
  const [printer] = await tx
    .select({ id: printers.id })
    .from(printers)
    .where(and(isId(printerId, printers.id), isNull(printers.retiredAt)));
  if (!printer) throw new NotAllowed();
  return printer.id;
}
