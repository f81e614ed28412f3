import { desc, inArray } from 'drizzle-orm';
import type { CodeValues } from '@kelbrin/core/machine';
import { settingsOf } from '@kelbrin/core/slice';
import { say } from '@kelbrin/core/words';
import { demandRole, type Person } from '../../platform/auth/access.ts';
import type { Database } from '../../platform/db/database.ts';
import { batches } from '../../platform/db/schema/index.ts';
import { partsOf } from './batchParts.ts';

/** What a printer's own G-code can name of the newest batch that is laid or printed; undefined where there is none. */
export async function batchAtHand(
  db: Database,
  person: Person,
): Promise<{ readonly name: string; readonly values: CodeValues } | undefined> {
  demandRole(person, 'teacher');
  const [batch] = await db
    .select()
    .from(batches)
    .where(inArray(batches.state, ['laid', 'printing', 'printed']))
    .orderBy(desc(batches.number))
    .limit(1);
  if (!batch) return undefined;
  const [part] = await partsOf(db, [batch.id]);
  if (!part) return undefined;
  const name = say('Batch {number}', { number: batch.number });
  const { nozzleC, bedC, chamberC, layerMm } = settingsOf(part.limits, batch.choice);
  const { estimate } = batch;
  const known = estimate && {
    layers: estimate.layers,
    minutes: Math.ceil(estimate.seconds / 60),
    grams: Number(estimate.grams.toFixed(1)),
  };
  return { name, values: { batch: name, nozzleC, plateC: bedC, chamberC, layerMm, ...known } };
}
