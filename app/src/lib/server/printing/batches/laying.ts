import { and, asc, eq, inArray, isNull } from 'drizzle-orm';
import type { LimitsCard } from '@kelbrin/core/inspect';
import type { MachineSheet } from '@kelbrin/core/machine';
import type { Placed } from '@kelbrin/core/plate';
import { sameMaterial, type PrintChoice } from '@kelbrin/core/slice';
import { say } from '@kelbrin/core/words';
import { printKeyOf } from '../../../shared/plate.ts';
import { demandRole, type Person } from '../../platform/auth/access.ts';
import { entriesWithOwner } from '../../platform/auth/withOwner.ts';
import { CannotNow } from '../../platform/basics/cannotNow.ts';
import type { Database } from '../../platform/db/database.ts';
import { batches, batchParts, handIns, printFiles, queueEntries } from '../../platform/db/schema/index.ts';
import { announce } from '../../platform/live/topics.ts';
import { sheetOfPrinter } from '../../printers/machineSheets.ts';
import { moveEntries } from '../queue/lifecycle.ts';
import { openBatch, setBack } from './batchParts.ts';
import { batchToSee } from './batches.ts';
import { layOut } from './layOut.ts';
import { newBatch } from './lifecycle.ts';
import { printerToPlan } from './planning.ts';

/** What became of parts that were to be laid. */
export interface Laid {
  readonly batchId: string;
  /** How many found no room and wait on. */
  readonly left: number;
}

/** Lays waiting parts on a new batch, as many as find room. */
export async function layBatch(
  db: Database,
  person: Person,
  entryIds: readonly string[],
  { choice = { set: 'everyday' }, plannedFor }: { choice?: PrintChoice; plannedFor?: string } = {},
): Promise<Laid> {
  demandRole(person, 'teacher', 'helper');
  const parts = await waitingParts(db, entryIds);
  const { limits } = parts[0];
  demandOneKind(parts);
  const sheet = await sheetFor(db, plannedFor);
  const { placed, left } = await layOut(parts, limits, { choice, sheet });
  demandRoom(placed, parts[0].name);
  return db.transaction(async (tx) => {
    const batchId = await newBatch(tx, person, {
      choice,
      createdBy: person.id,
      plannedFor: await printerToPlan(tx, plannedFor),
    });
    await takeIn(tx, person, batchId, placed);
    return { batchId, left: left.length };
  });
}

/** Lays more waiting parts on a batch, around those that are there; returns how many found no room. */
export async function addToBatch(
  db: Database,
  person: Person,
  batchId: string,
  entryIds: readonly string[],
): Promise<number> {
  const { batch, parts } = await batchToSee(db, person, batchId);
  const before = parts.filter(({ isCurrent }) => isCurrent);
  if (before.length === 0)
    throw new CannotNow('Batch {number} is printed: put the parts in a new batch.', { number: batch.number });
  const more = await waitingParts(db, entryIds);
  demandOneKind([...before, ...more]);
  const { placed, left } = await layOut(more, before[0].limits, {
    choice: batch.choice,
    fixed: before.map(asPlaced),
    sheet: await sheetFor(db, batch.plannedFor),
  });
  await db.transaction(async (tx) => {
    await openBatch(tx, batchId);
    await takeIn(tx, person, batchId, placed);
    await tx.update(batches).set({ estimate: null }).where(eq(batches.id, batchId));
    await announce(tx, 'printroom');
  });
  return left.length;
}

/** Lays all parts of a batch anew; those that find no room wait again. Returns how many these are. */
export async function arrangeBatch(db: Database, person: Person, batchId: string): Promise<number> {
  const { batch, parts: all } = await batchToSee(db, person, batchId);
  const parts = all.filter(({ isCurrent }) => isCurrent);
  if (parts.length === 0)
    throw new CannotNow('Batch {number} is printed: put the parts in a new batch.', { number: batch.number });
  const { placed, left } = await layOut(parts.map(asPlaced), parts[0].limits, {
    choice: batch.choice,
    sheet: await sheetFor(db, batch.plannedFor),
  });
  demandRoom(placed, parts[0].name);
  await db.transaction(async (tx) => {
    await openBatch(tx, batchId);
    for (const { id, xMm, yMm, turnDeg } of placed) {
      await tx.update(batchParts).set({ xMm, yMm, turnDeg }).where(placeOf(batchId, id));
    }
    for (const entryId of left) await setBack(tx, person, batchId, entryId);
    await tx.update(batches).set({ estimate: null }).where(eq(batches.id, batchId));
    await announce(tx, 'printroom');
  });
  return left.length;
}

/** Throws if no part found room, so that nothing would be on the batch. */
function demandRoom(placed: readonly Placed[], name: string): void {
  if (placed.length > 0) return;
  throw new CannotNow(
    '{name} has no room on the plate: take a batch with fewer parts, or a printer with a larger plate.',
    { name },
  );
}

/** The sheet of the printer that a batch is planned for, whose plate it is laid out on. */
async function sheetFor(
  db: Database,
  printerId: string | null | undefined,
): Promise<MachineSheet | undefined> {
  return printerId ? (await sheetOfPrinter(db, printerId))?.sheet : undefined;
}

/** The files of parts that wait and may be printed, in the given order; throws if one of them does not or may not. */
async function waitingParts(db: Database, entryIds: readonly string[]) {
  if (entryIds.length === 0) throw new CannotNow('Choose the parts to lay.');
  const found = await entriesWithOwner(db, {
    id: queueEntries.id,
    name: printFiles.name,
    footprint: printFiles.footprint,
    limits: handIns.limits,
    doubt: handIns.doubt,
  })
    .where(
      and(
        inArray(queueEntries.id, [...entryIds]),
        eq(queueEntries.state, 'waiting'),
        isNull(queueEntries.heldAt),
      ),
    )
    .orderBy(asc(queueEntries.position));
  if (found.length < new Set(entryIds).size)
    throw new CannotNow(
      'Some of these parts are not waiting any more: load the page again to see where they are.',
    );
  const doubted = found.find(({ doubt }) => doubt);
  if (doubted)
    throw new CannotNow('{doubt} The teacher has to decide on it again first; until then, leave it out.', {
      doubt: doubted.doubt!,
    });
  return found;
}

/** Throws unless parts can be printed together. */
function demandOneKind(parts: readonly { readonly name: string; readonly limits: LimitsCard }[]): void {
  const [first, ...others] = parts;
  const other = others.find(({ limits }) => printKeyOf(limits) !== printKeyOf(first.limits));
  if (!other) return;
  throw new CannotNow(
    sameMaterial(first.limits.material, other.limits.material)
      ? say(
          '{first} and {second} are printed in other layers or on another printer: lay them on two batches.',
          { first: first.name, second: other.name },
        )
      : say('{first} is for {material}, {second} for {secondMaterial}: lay them on two batches.', {
          first: first.name,
          material: first.limits.material,
          second: other.name,
          secondMaterial: other.limits.material,
        }),
  );
}

function asPlaced({
  entryId,
  footprint,
  xMm,
  yMm,
  turnDeg,
}: Omit<Placed, 'id'> & { entryId: string }): Placed {
  return { id: entryId, footprint, xMm, yMm, turnDeg };
}

/** Gives parts their places; throws if one of them was taken meanwhile. */
async function takeIn(
  tx: Database,
  person: Person,
  batchId: string,
  placed: readonly Placed[],
): Promise<void> {
  if (placed.length === 0) return;
  const ids = placed.map(({ id }) => id);
  const taken = await moveEntries(tx, 'lay', person, inArray(queueEntries.id, ids));
  if (taken.length < ids.length)
    throw new CannotNow(
      'Some of these parts are not waiting any more: load the page again to see where they are.',
    );
  await tx
    .insert(batchParts)
    .values(placed.map(({ id, xMm, yMm, turnDeg }) => ({ batchId, queueEntryId: id, xMm, yMm, turnDeg })));
}

function placeOf(batchId: string, entryId: string) {
  return and(eq(batchParts.batchId, batchId), eq(batchParts.queueEntryId, entryId));
}
