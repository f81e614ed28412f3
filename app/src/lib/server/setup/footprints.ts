import { eq } from 'drizzle-orm';
import { readThreeMf } from '@kelbrin/core/format';
import { nodeWorkshop } from '@kelbrin/core/node';
import { footprintOf } from '@kelbrin/core/plate';
import type { Database } from '../platform/db/database.ts';
import { handIns, printFiles, solids } from '../platform/db/schema/index.ts';

/** Works out what solids cover of a plate that were inspected before parts were laid on batches. */
export async function fillFootprints(db: Database): Promise<void> {
  const without = await db
    .selectDistinct({ hash: solids.hash, threeMf: solids.threeMf })
    .from(solids)
    .innerJoin(handIns, eq(handIns.solidHash, solids.hash))
    .where(eq(handIns.footprint, []));
  if (without.length === 0) return;
  const { kernel } = await nodeWorkshop();
  for (const { hash, threeMf } of without) {
    const footprint = footprintOf(kernel, readThreeMf(threeMf));
    await db.update(handIns).set({ footprint }).where(eq(handIns.solidHash, hash));
    await db.update(printFiles).set({ footprint }).where(eq(printFiles.hash, hash));
  }
}
