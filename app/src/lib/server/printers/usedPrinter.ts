import { and, eq, inArray, isNull } from 'drizzle-orm';
import { isByHand } from '../../shared/connection.ts';
import { isId, NotAllowed } from '../platform/auth/access.ts';
import { CannotNow } from '../platform/basics/cannotNow.ts';
import type { Database } from '../platform/db/database.ts';
import { ACTIVE_RUN, filamentChanges, printers, runs } from '../platform/db/schema/index.ts';

type Printer = typeof printers.$inferSelect;

/** A printer that is held until the end of the transaction; throws {@link NotAllowed} for none and for a retired one. */
export async function usedPrinter(tx: Database, printerId: string): Promise<Printer> {
  const [printer] = await tx
    .select()
    .from(printers)
    .where(and(isId(printerId, printers.id), isNull(printers.retiredAt)))
    .for('no key update');
  if (!printer) throw new NotAllowed();
  return printer;
}

/** Throws unless a printer answers. */
export function demandOnline({ name, status }: Printer): void {
  if (!status?.online) throw new CannotNow('{name} does not answer: is it switched on?', { name });
}

/** Throws where nothing is connected to a printer, so that it can be told nothing. */
export function demandConnected({ name, connection }: Printer): void {
  if (isByHand(connection))
    throw new CannotNow('Nothing is connected to {name}: do this at the printer.', { name });
}

/** Throws if somebody is changing the filament of a printer. */
export async function demandNoChange(tx: Database, { id, name }: Printer): Promise<void> {
  const changes = await tx.$count(filamentChanges, eq(filamentChanges.printerId, id));
  if (changes > 0)
    throw new CannotNow(
      'The filament of {name} is being changed: finish that in the print room, or stop it there.',
      {
        name,
      },
    );
}

/** Throws while a printer prints or its filament is changed. */
export async function demandIdle(tx: Database, printer: Printer): Promise<void> {
  await demandNoChange(tx, printer);
  const busy = await tx.$count(runs, and(eq(runs.printerId, printer.id), inArray(runs.state, ACTIVE_RUN)));
  if (busy > 0) throw new CannotNow('{name} is printing: wait until it is done.', { name: printer.name });
}
