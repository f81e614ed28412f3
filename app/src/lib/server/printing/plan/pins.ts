import { eq, inArray, lt, notExists, sql } from 'drizzle-orm';
import type { PinnedBatch } from '@kelbrin/core/weekPlan';
import { record } from '../../platform/audit.ts';
import { demandRole, isId, isOneOf, NotAllowed, type Person } from '../../platform/auth/access.ts';
import { CannotNow } from '../../platform/basics/cannotNow.ts';
import type { Database } from '../../platform/db/database.ts';
import { planPinParts, planPins, queueEntries } from '../../platform/db/schema/index.ts';
import { announce } from '../../platform/live/topics.ts';
import { usedPrinter } from '../../printers/usedPrinter.ts';

/** A batch that was to begin so long ago was forgotten, and its parts are planned like all others. */
const FORGOTTEN_MS = 12 * 3600_000;

/** What people put at a time, with the parts of it that still wait. */
export async function pinsOf(db: Database, now: Date): Promise<PinnedBatch[]> {
  const rows = await db
    .select({ pin: planPins, entry: planPinParts.queueEntryId })
    .from(planPins)
    .innerJoin(planPinParts, eq(planPinParts.pinId, planPins.id))
    .innerJoin(queueEntries, eq(queueEntries.id, planPinParts.queueEntryId))
    .where(eq(queueEntries.state, 'waiting'));
  const pins = new Map<string, PinnedBatch & { parts: string[] }>();
  for (const { pin, entry } of rows) {
    if (pin.startAt.getTime() < now.getTime() - FORGOTTEN_MS) continue;
    const known = pins.get(pin.id);
    if (known) known.parts.push(entry);
    else
      pins.set(pin.id, { id: pin.id, printer: pin.printerId, fromMs: pin.startAt.getTime(), parts: [entry] });
  }
  return [...pins.values()];
}

/** So far ahead something can be put at a time. */
const FURTHEST_MS = 60 * 24 * 3600_000;

/** Puts a batch at a time on a printer; the rest is planned around it. Parts of an earlier one are taken out of that. */
export async function pinBatch(
  db: Database,
  person: Person,
  { printer, startAt, entries }: { printer: string; startAt: Date; entries: readonly string[] },
  now = new Date(),
): Promise<void> {
  demandRole(person, 'teacher', 'helper');
  if (Number.isNaN(startAt.getTime())) throw new CannotNow('Say when the batch is to begin.');
  const aheadMs = startAt.getTime() - now.getTime();
  if (aheadMs < -FORGOTTEN_MS || aheadMs > FURTHEST_MS)
    throw new CannotNow('Put the batch at a time from now on, within the next two months.');
  if (entries.length === 0) throw new NotAllowed();
  await db.transaction(async (tx) => {
    await usedPrinter(tx, printer);
    const waiting = await tx
      .select({ id: queueEntries.id, state: queueEntries.state })
      .from(queueEntries)
      .where(isOneOf(entries, queueEntries.id))
      .for('update');
    const ids = waiting.filter(({ state }) => state === 'waiting').map(({ id }) => id);
    if (ids.length === 0)
      throw new CannotNow('These parts are not waiting any more: load the page again to see where they are.');
    await tx.delete(planPinParts).where(inArray(planPinParts.queueEntryId, ids));
    const [{ id }] = await tx
      .insert(planPins)
      .values({ printerId: printer, startAt, by: person.id })
      .returning({ id: planPins.id });
    await tx.insert(planPinParts).values(ids.map((queueEntryId) => ({ queueEntryId, pinId: id })));
    await tidy(tx);
    await record(tx, person, 'pin-batch', null, ids);
    await announce(tx, 'queue');
  });
}

/** Has the plan choose again where a batch goes. */
export async function unpinBatch(db: Database, person: Person, pinId: string): Promise<void> {
  demandRole(person, 'teacher', 'helper');
  await db.transaction(async (tx) => {
    await tx.delete(planPins).where(isId(pinId, planPins.id));
    await announce(tx, 'queue');
  });
}

/** Takes away what is empty or long gone, so that there is no more of it than the plan shows. */
async function tidy(tx: Database): Promise<void> {
  await tx.delete(planPins).where(lt(planPins.startAt, sql`now() - make_interval(days => 30)`));
  await tx.delete(planPins).where(
    notExists(
      tx
        .select({ one: sql`1` })
        .from(planPinParts)
        .where(eq(planPinParts.pinId, planPins.id)),
    ),
  );
}
