import { and, asc, eq, isNull, ne } from 'drizzle-orm';
import { exampleSheets, type MachineSheet } from '@kelbrin/core/machine';
import { say } from '@kelbrin/core/words';
import { readMachineDraft } from '../../shared/machineDraft.ts';
import { record } from '../platform/audit.ts';
import { demandRole, isId, NotAllowed, type Person } from '../platform/auth/access.ts';
import { CannotNow } from '../platform/basics/cannotNow.ts';
import type { Database } from '../platform/db/database.ts';
import { machineSheets, printers } from '../platform/db/schema/index.ts';

/** The sheets of the school, each with the printers that use it. */
export async function sheetsOf(db: Database, person: Person) {
  demandRole(person, 'teacher');
  const sheets = await db.select().from(machineSheets).orderBy(asc(machineSheets.name));
  const used = await db
    .select({ name: printers.name, sheetId: printers.sheetId })
    .from(printers)
    .where(isNull(printers.retiredAt))
    .orderBy(asc(printers.name));
  return sheets.map((sheet) => ({
    ...sheet,
    printers: used.filter(({ sheetId }) => sheetId === sheet.id).map(({ name }) => name),
  }));
}

/** A sheet that is to be changed; throws {@link NotAllowed} where there is none. */
export async function sheetToEdit(db: Database, person: Person, sheetId: string) {
  demandRole(person, 'teacher');
  const [sheet] = await db.select().from(machineSheets).where(isId(sheetId, machineSheets.id));
  if (!sheet) throw new NotAllowed();
  return sheet;
}

/** Begins a sheet like another of the school, or like one of the examples by its name; returns its id. */
export async function createSheet(
  db: Database,
  person: Person,
  like: { readonly sheetId?: string; readonly example?: string },
): Promise<string> {
  demandRole(person, 'teacher');
  const from =
    like.sheetId === undefined
      ? (exampleSheets.find(({ name }) => name === like.example) ?? exampleSheets[0])
      : (await sheetToEdit(db, person, like.sheetId)).sheet;
  return db.transaction(async (tx) => {
    const taken = new Set(
      (await tx.select({ name: machineSheets.name }).from(machineSheets)).map(({ name }) => name),
    );
    const sheet = { ...from, name: freeName(from.name, taken) };
    const [{ id }] = await tx
      .insert(machineSheets)
      .values({ name: sheet.name, sheet })
      .returning({ id: machineSheets.id });
    await record(tx, person, 'create-sheet', null, [id]);
    return id;
  });
}

/** The name, or with the first number behind it that no sheet has. */
function freeName(name: string, taken: ReadonlySet<string>): string {
  for (let number = 1; ; number++) {
    const tried = number === 1 ? name : say('{name}, {number}', { name: name.slice(0, 50), number });
    if (!taken.has(tried)) return tried;
  }
}

/** Saves what a teacher wrote on a sheet, whose code must be without a fault. */
export async function saveSheet(db: Database, person: Person, sheetId: string, data: unknown): Promise<void> {
  const { id } = await sheetToEdit(db, person, sheetId);
  const read = readMachineDraft(data);
  if (!read.ok) throw new CannotNow(read.message);
  const { sheet } = read;
  await db.transaction(async (tx) => {
    const sameName = and(eq(machineSheets.name, sheet.name), ne(machineSheets.id, id));
    if ((await tx.$count(machineSheets, sameName)) > 0)
      throw new CannotNow('There is another machine sheet called {name}: choose another name.', {
        name: sheet.name,
      });
    await tx.update(machineSheets).set({ name: sheet.name, sheet }).where(eq(machineSheets.id, id));
    await record(tx, person, 'edit-sheet', null, [id]);
  });
}

/** Deletes a sheet that no printer uses; a retired printer loses it. */
export async function deleteSheet(db: Database, person: Person, sheetId: string): Promise<void> {
  const { id } = await sheetToEdit(db, person, sheetId);
  await db.transaction(async (tx) => {
    const [using] = await tx
      .select({ name: printers.name })
      .from(printers)
      .where(and(eq(printers.sheetId, id), isNull(printers.retiredAt)))
      .limit(1);
    if (using)
      throw new CannotNow('{name} uses this sheet: give that printer another one first.', {
        name: using.name,
      });
    await tx.update(printers).set({ sheetId: null }).where(eq(printers.sheetId, id));
    await tx.delete(machineSheets).where(eq(machineSheets.id, id));
    await record(tx, person, 'delete-sheet', null, [id]);
  });
}

/** The sheets of the printers that are used and have one, by the printer's id. */
export async function sheetsByPrinter(db: Database, person: Person): Promise<Record<string, MachineSheet>> {
  demandRole(person, 'teacher', 'helper');
  const rows = await db
    .select({ id: printers.id, sheet: machineSheets.sheet })
    .from(printers)
    .innerJoin(machineSheets, eq(machineSheets.id, printers.sheetId))
    .where(isNull(printers.retiredAt));
  return Object.fromEntries(rows.map(({ id, sheet }) => [id, sheet]));
}

/** The printer's name and its sheet, for G-code that is written for it; undefined where it has none. */
export async function sheetOfPrinter(
  db: Database,
  printerId: string,
): Promise<{ readonly printer: string; readonly sheet: MachineSheet } | undefined> {
  const [found] = await db
    .select({ printer: printers.name, sheet: machineSheets.sheet })
    .from(printers)
    .innerJoin(machineSheets, eq(machineSheets.id, printers.sheetId))
    .where(eq(printers.id, printerId));
  return found;
}
