import { asc, desc, eq, isNotNull, isNull, sql } from 'drizzle-orm';
import { spoolDraft } from '../../shared/spool.ts';
import { materialCalled } from './materials.ts';
import { record } from '../platform/audit.ts';
import { demandRole, isId, NotAllowed, type Person } from '../platform/auth/access.ts';
import { CannotNow } from '../platform/basics/cannotNow.ts';
import type { Database } from '../platform/db/database.ts';
import { materials, printers, spools } from '../platform/db/schema/index.ts';
import { announce } from '../platform/live/topics.ts';
import { clearPlace, putOn } from './loaded.ts';
import { sheetOfPrinter } from './machineSheets.ts';
import { demandIdle, usedPrinter } from './usedPrinter.ts';

/** So many of the rolls that are gone are shown. */
const MOST_GONE = 8;

/** The rolls that are not used up, with the printer that each is on. */
export async function spoolsOf(db: Database, person: Person) {
  demandRole(person, 'teacher', 'helper');
  return db
    .select({ spool: spools, printer: printers.name, drying: materials.drying })
    .from(spools)
    .leftJoin(printers, eq(printers.id, spools.printerId))
    .leftJoin(materials, sql`lower(${materials.name}) = lower(trim(${spools.material}))`)
    .where(isNull(spools.goneAt))
    .orderBy(asc(spools.number));
}

/** Notes a new roll; returns the number to write on it. */
export async function addSpool(db: Database, person: Person, data: unknown): Promise<number> {
  demandRole(person, 'teacher', 'helper');
  const read = spoolDraft.safeParse(data);
  if (!read.success) throw new CannotNow(read.error.issues[0].message);
  // A roll costs what its material does, unless somebody says so.
  const known = await materialCalled(db, read.data.material);
  const [{ id, number }] = await db
    .insert(spools)
    .values({ ...read.data, pricePerKg: read.data.pricePerKg ?? known?.pricePerKg ?? null })
    .returning({ id: spools.id, number: spools.number });
  await record(db, person, 'add-spool', null, [id]);
  await announce(db, 'printroom');
  return number;
}

/** Puts right how much is on a roll. */
export async function weighSpool(
  db: Database,
  person: Person,
  spoolId: string,
  grams: unknown,
): Promise<void> {
  const spool = await oneSpool(db, person, spoolId);
  const read = spoolDraft.shape.gramsLeft.safeParse(grams);
  if (!read.success) throw new CannotNow(read.error.issues[0].message);
  await db.update(spools).set({ gramsLeft: read.data, weighedAt: new Date() }).where(eq(spools.id, spool.id));
  await record(db, person, 'weigh-spool', null, [spool.id]);
  await announce(db, 'printroom');
}

/** Notes that a roll was put at a place of a printer, for the one that was there; not while the printer prints. */
export async function loadSpool(
  db: Database,
  person: Person,
  spoolId: string,
  printerId: string,
  place = 0,
): Promise<void> {
  const spool = await oneSpool(db, person, spoolId);
  await db.transaction(async (tx) => {
    const printer = await usedPrinter(tx, printerId);
    await demandPlace(tx, printer, place);
    await takeOff(tx, spool.id);
    await demandIdle(tx, printer);
    await putOn(tx, spool.id, printer.id, place);
    await record(tx, person, 'load-spool', null, [spool.id]);
    await announce(tx, 'printroom');
  });
}

/** Notes that a roll lies on the shelf again. */
export async function unloadSpool(db: Database, person: Person, spoolId: string): Promise<void> {
  const spool = await oneSpool(db, person, spoolId);
  await db.transaction(async (tx) => {
    await takeOff(tx, spool.id);
    await record(tx, person, 'unload-spool', null, [spool.id]);
    await announce(tx, 'printroom');
  });
}

/** Notes that a roll is used up; of one that is already, nothing more. */
export async function endSpool(db: Database, person: Person, spoolId: string): Promise<void> {
  const spool = await anySpool(db, person, spoolId);
  if (spool.goneAt) return;
  await db.transaction(async (tx) => {
    await takeOff(tx, spool.id);
    await tx.update(spools).set({ goneAt: new Date() }).where(eq(spools.id, spool.id));
    await record(tx, person, 'end-spool', null, [spool.id]);
    await announce(tx, 'printroom');
  });
}

/** The rolls that were used up or thrown away lately, the last first; each can be brought back. */
export async function spoolsGone(db: Database, person: Person) {
  demandRole(person, 'teacher', 'helper');
  return db
    .select()
    .from(spools)
    .where(isNotNull(spools.goneAt))
    .orderBy(desc(spools.goneAt))
    .limit(MOST_GONE);
}

/** Puts a roll back on the shelf that was taken for used up; of one that is there, nothing more. */
export async function bringSpoolBack(db: Database, person: Person, spoolId: string): Promise<void> {
  const spool = await anySpool(db, person, spoolId);
  if (!spool.goneAt) return;
  await db.transaction(async (tx) => {
    await tx.update(spools).set({ goneAt: null }).where(eq(spools.id, spool.id));
    await record(tx, person, 'bring-back-spool', null, [spool.id]);
    await announce(tx, 'printroom');
  });
}

/** A roll that is still there. */
async function oneSpool(db: Database, person: Person, spoolId: string) {
  const spool = await anySpool(db, person, spoolId);
  if (spool.goneAt) throw new NotAllowed();
  return spool;
}

async function anySpool(db: Database, person: Person, spoolId: string) {
  demandRole(person, 'teacher', 'helper');
  const [spool] = await db.select().from(spools).where(isId(spoolId, spools.id));
  if (!spool) throw new NotAllowed();
  return spool;
}

/** Throws unless a printer has a place, counted from 0: as many as filaments that it changes between by itself. */
export async function demandPlace(
  tx: Database,
  { id, name }: Pick<typeof printers.$inferSelect, 'id' | 'name'>,
  place: number,
): Promise<void> {
  const count = (await sheetOfPrinter(tx, id))?.sheet.filaments ?? 1;
  if (!Number.isInteger(place) || place < 0 || place >= count)
    throw new CannotNow('{name} has {count, plural, one {one place} other {# places}} for spools.', {
      name,
      count,
    });
}

async function takeOff(tx: Database, spoolId: string): Promise<void> {
  const [on] = await tx
    .select({ printer: printers, place: spools.place })
    .from(spools)
    .innerJoin(printers, eq(printers.id, spools.printerId))
    .where(eq(spools.id, spoolId))
    .for('no key update');
  if (!on) return;
  await demandIdle(tx, on.printer);
  await clearPlace(tx, on.printer.id, on.place);
}
