import { and, asc, eq, isNotNull, isNull, ne } from 'drizzle-orm';
import { connectionOf, printerDraft } from '../../shared/printerDraft.ts';
import { record } from '../platform/audit.ts';
import { demandRole, isId, NotAllowed, type Person } from '../platform/auth/access.ts';
import { CannotNow } from '../platform/basics/cannotNow.ts';
import type { Database } from '../platform/db/database.ts';
import { machineSheets, printers, spools } from '../platform/db/schema/index.ts';
import { announce } from '../platform/live/topics.ts';
import { isCardName } from './drivers/cardFolders.ts';
import { canBePort } from './drivers/usbPorts.ts';
import { demandIdle, usedPrinter } from './usedPrinter.ts';

/** The printers that are used, with their addresses. */
export async function printersToKeep(db: Database, person: Person) {
  demandRole(person, 'teacher');
  return db
    .select({
      id: printers.id,
      name: printers.name,
      model: printers.model,
      sheetId: printers.sheetId,
      connection: printers.connection,
      status: printers.status,
    })
    .from(printers)
    .where(isNull(printers.retiredAt))
    .orderBy(asc(printers.name));
}

/** The printers that are no longer used, which can be brought back. */
export async function retiredPrinters(db: Database, person: Person) {
  demandRole(person, 'teacher');
  return db
    .select({ id: printers.id, name: printers.name, model: printers.model })
    .from(printers)
    .where(isNotNull(printers.retiredAt))
    .orderBy(asc(printers.name));
}

/** Uses a printer again that was retired; of one that is used already, nothing more. */
export async function bringPrinterBack(db: Database, person: Person, printerId: string): Promise<void> {
  demandRole(person, 'teacher');
  await db.transaction(async (tx) => {
    const [printer] = await tx
      .select()
      .from(printers)
      .where(isId(printerId, printers.id))
      .for('no key update');
    if (!printer) throw new NotAllowed();
    if (!printer.retiredAt) return;
    await tx.update(printers).set({ retiredAt: null }).where(eq(printers.id, printer.id));
    await record(tx, person, 'bring-back-printer', null, [printer.id]);
    await announce(tx, 'printroom', 'orders');
  });
}

/** Notes a printer, or one of that name again that was retired; its past is then its own. */
export async function addPrinter(db: Database, person: Person, data: unknown): Promise<void> {
  demandRole(person, 'teacher');
  const draft = await read(db, data);
  const added = await db
    .insert(printers)
    .values(draft)
    .onConflictDoUpdate({
      target: printers.name,
      set: { ...draft, retiredAt: null, status: null },
      setWhere: isNotNull(printers.retiredAt),
    })
    .returning({ id: printers.id });
  if (added.length === 0)
    throw new CannotNow('There is a printer called {name} already: choose another name.', {
      name: draft.name,
    });
  await record(db, person, 'add-printer', null, [added[0].id]);
  await announce(db, 'printroom', 'orders');
}

/** Notes another name, model or address of a printer. */
export async function changePrinter(
  db: Database,
  person: Person,
  printerId: string,
  data: unknown,
): Promise<void> {
  demandRole(person, 'teacher');
  const draft = await read(db, data, printerId);
  await db.transaction(async (tx) => {
    const printer = await idlePrinter(tx, printerId);
    const sameName = and(eq(printers.name, draft.name), ne(printers.id, printer.id));
    if ((await tx.$count(printers, sameName)) > 0)
      throw new CannotNow('There is or was another printer called {name}: choose another name.', {
        name: draft.name,
      });
    await tx.update(printers).set(draft).where(eq(printers.id, printer.id));
    await record(tx, person, 'edit-printer', null, [printer.id]);
    await announce(tx, 'printroom', 'orders');
  });
}

/** Notes that a printer is no longer used. What it has printed stays where it is told. */
export async function retirePrinter(db: Database, person: Person, printerId: string): Promise<void> {
  demandRole(person, 'teacher');
  await db.transaction(async (tx) => {
    const printer = await idlePrinter(tx, printerId);
    await tx.update(printers).set({ retiredAt: new Date(), status: null }).where(eq(printers.id, printer.id));
    await tx.update(spools).set({ printerId: null, place: 0 }).where(eq(spools.printerId, printer.id));
    await record(tx, person, 'retire-printer', null, [printer.id]);
    await announce(tx, 'printroom', 'orders');
  });
}

/** A printer that is held until the end of the transaction and does nothing. */
async function idlePrinter(tx: Database, printerId: string): Promise<typeof printers.$inferSelect> {
  const printer = await usedPrinter(tx, printerId);
  await demandIdle(tx, printer);
  return printer;
}

/** Throws where another printer is noted as plugged into a port. */
async function demandFreePort(db: Database, path: string, printerId: string | undefined): Promise<void> {
  const used = await db.select().from(printers).where(isNull(printers.retiredAt));
  const other = used.find(
    ({ id, connection }) => id !== printerId && connection.way === 'usb' && connection.path === path,
  );
  if (other)
    throw new CannotNow('{name} is plugged into this port: choose another one.', { name: other.name });
}

async function read(db: Database, data: unknown, printerId?: string) {
  const draft = printerDraft.safeParse(data);
  if (!draft.success) throw new CannotNow(draft.error.issues[0].message);
  const { name, model } = draft.data;
  const sheetId = draft.data.sheetId === '' ? null : draft.data.sheetId;
  if (sheetId !== null && (await db.$count(machineSheets, isId(sheetId, machineSheets.id))) === 0)
    throw new CannotNow('That machine sheet is gone: choose another one.');
  const reached = connectionOf(draft.data);
  // A port is a file of the server, and a card a folder: no other of either is touched.
  if (reached.way === 'usb' && !canBePort(reached.path))
    throw new CannotNow('Choose the port that the printer is plugged into.');
  if (reached.way === 'usb') await demandFreePort(db, reached.path, printerId);
  if (reached.way === 'card' && reached.card !== null && !isCardName(reached.card))
    throw new CannotNow('Choose the card from the list, or have files downloaded.');
  return { name, model, sheetId, connection: reached };
}
