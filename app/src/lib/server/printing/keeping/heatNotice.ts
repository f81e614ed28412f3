import { and, desc, eq, isNull } from 'drizzle-orm';
import type { Database } from '../../platform/db/database.ts';
import { printers, runs, users } from '../../platform/db/schema/index.ts';
import { announce } from '../../platform/live/topics.ts';
import { tellOfPrinter } from '../../platform/notices.ts';
import type { DeviceStatus } from '../../printers/drivers/driver.ts';

/** A printer that is heated with nothing to print is told of after so long: until then somebody may be at it. */
const TELL_HEAT_MS = 10 * 60_000;

type Printer = Pick<typeof printers.$inferSelect, 'id' | 'hotSince' | 'hotToldAt'>;

/**
 * What is to be noted of a printer's heat, if anything: since when it is heated with nothing to print, that people are told of
 * it now, or that it is over.
 *
 * @param isUsed whether it has a run, or its filament is changed
 */
export function heatNews(
  { hotSince, hotToldAt }: Printer,
  isUsed: boolean,
  { nozzleTargetC, bedTargetC, job }: DeviceStatus,
  now = Date.now(),
): 'begins' | 'lasts' | 'ends' | undefined {
  // A file that was begun at the printer itself is printed all the same.
  const prints = job !== undefined && job.doneBytes < job.totalBytes;
  const isIdle = !isUsed && !prints && (nozzleTargetC > 0 || bedTargetC > 0);
  if (!isIdle) return hotSince ? 'ends' : undefined;
  if (!hotSince) return 'begins';
  return !hotToldAt && now - hotSince.getTime() > TELL_HEAT_MS ? 'lasts' : undefined;
}

/** Writes down what is new of a printer's heat; the helpers, and whoever printed there last, are told of one that lasts. */
export async function noteHeat(
  tx: Database,
  { id }: Printer,
  news: NonNullable<ReturnType<typeof heatNews>>,
): Promise<void> {
  const noted = {
    begins: { hotSince: new Date(), hotToldAt: null },
    lasts: { hotToldAt: new Date() },
    ends: { hotSince: null, hotToldAt: null },
  };
  await tx.update(printers).set(noted[news]).where(eq(printers.id, id));
  if (news !== 'lasts') return;
  const helpers = await tx
    .select({ id: users.id })
    .from(users)
    .where(and(eq(users.role, 'helper'), isNull(users.disabledAt)));
  const [last] = await tx
    .select({ id: runs.startedBy })
    .from(runs)
    .where(eq(runs.printerId, id))
    .orderBy(desc(runs.startedAt))
    .limit(1);
  const people = new Set([...helpers, ...(last ? [last] : [])].map((person) => person.id));
  await tellOfPrinter(tx, id, 'printer_hot', [...people]);
  await announce(tx, 'printroom');
}
