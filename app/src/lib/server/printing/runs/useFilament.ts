import { eq, sql } from 'drizzle-orm';
import type { Database } from '../../platform/db/database.ts';
import { batches, runs, spools } from '../../platform/db/schema/index.ts';
import { currentParts } from '../batches/batchParts.ts';

/** Takes what a run has printed from its rolls off them; of one that ended early as much as it had come far. */
export async function useFilament(tx: Database, run: typeof runs.$inferSelect): Promise<void> {
  if (!run.spoolId && !run.rolls) return;
  const [{ estimate }] = await tx
    .select({ estimate: batches.estimate })
    .from(batches)
    .where(eq(batches.id, run.batchId));
  // A batch that was not sliced takes about what its parts take one by one.
  const whole = estimate?.grams ?? gramsOf(await currentParts(tx, run.batchId));
  const [from, to] = [whole * run.spoolFrom, whole * run.progress];
  const { rolls } = run;
  if (!rolls) {
    if (run.spoolId) await takeOffSpool(tx, run.spoolId, to - from);
    return;
  }
  // Colours lie on each other: the lower ones are printed first.
  let beganAt = 0;
  for (const [colour, { spoolId }] of rolls.entries()) {
    const isLast = colour === rolls.length - 1;
    const endsAt = isLast ? Infinity : beganAt + (estimate?.colourGrams[colour] ?? whole / rolls.length);
    const grams = Math.max(0, Math.min(to, endsAt) - Math.max(from, beganAt));
    if (spoolId && grams > 0) await takeOffSpool(tx, spoolId, grams);
    beganAt = endsAt;
  }
}

/** Counts a roll down, never below nothing. */
export async function takeOffSpool(tx: Database, spoolId: string, grams: number): Promise<void> {
  await tx
    .update(spools)
    .set({ gramsLeft: sql`greatest(0, ${spools.gramsLeft} - ${grams}::real)` })
    .where(eq(spools.id, spoolId));
}

function gramsOf(parts: readonly { readonly estimate: { readonly grams: number } }[]): number {
  return parts.reduce((sum, { estimate }) => sum + estimate.grams, 0);
}
