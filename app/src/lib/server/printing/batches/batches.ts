import { and, asc, desc, eq, inArray, isNull } from 'drizzle-orm';
import type { LimitsCard } from '@kelbrin/core/inspect';
import type { Placed } from '@kelbrin/core/plate';
import { printChoice, sameMaterial, type PrintChoice } from '@kelbrin/core/slice';
import { kindOf, placementDraft } from '../../../shared/plate.ts';
import { demandRole, isId, NotAllowed, type Person } from '../../platform/auth/access.ts';
import { entriesWithOwner } from '../../platform/auth/withOwner.ts';
import { CannotNow } from '../../platform/basics/cannotNow.ts';
import type { Database } from '../../platform/db/database.ts';
import {
  handIns,
  batchParts,
  batches,
  printers,
  printFiles,
  queueEntries,
  runs,
  spools,
} from '../../platform/db/schema/index.ts';
import { announce } from '../../platform/live/topics.ts';
import { moveEntries } from '../queue/lifecycle.ts';
import { layOut } from './layOut.ts';
import { endEmptyBatches, moveBatch, newBatch, takeBatchApart } from './lifecycle.ts';
import { openBatch, partsOf } from './batchParts.ts';
import { say } from '@kelbrin/core/words';

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
  const { placed, left } = await layOut(parts, limits, choice);
  if (placed.length === 0)
    throw new CannotNow(
      say(
        '{name} has no room on the plate: take a batch with fewer parts, or a printer with a larger plate.',
        { name: parts[0].name },
      ),
    );
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
    throw new CannotNow(
      say('Batch {number} is printed: put the parts in a new batch.', { number: batch.number }),
    );
  const more = await waitingParts(db, entryIds);
  demandOneKind([...before, ...more]);
  const { placed, left } = await layOut(more, before[0].limits, batch.choice, before.map(asPlaced));
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
    throw new CannotNow(
      say('Batch {number} is printed: put the parts in a new batch.', { number: batch.number }),
    );
  const { placed, left } = await layOut(parts.map(asPlaced), parts[0].limits, batch.choice);
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

/** Puts a part where a person wants it; whether it lies well there is asked when the batch is started. */
export async function movePart(
  db: Database,
  person: Person,
  batchId: string,
  entryId: string,
  data: unknown,
): Promise<void> {
  demandRole(person, 'teacher', 'helper');
  const read = placementDraft.safeParse(data);
  if (!read.success)
    throw new CannotNow(say('That place is not on the plate: put the part down inside its edge.'));
  await db.transaction(async (tx) => {
    const batch = await openBatch(tx, batchId);
    const moved = await tx
      .update(batchParts)
      .set(read.data)
      .where(and(eq(batchParts.batchId, batch.id), isId(entryId, batchParts.queueEntryId)))
      .returning({ id: batchParts.queueEntryId });
    if (moved.length === 0) throw new NotAllowed();
    await tx.update(batches).set({ estimate: null }).where(eq(batches.id, batch.id));
    await announce(tx, 'printroom');
  });
}

/** Chooses how a batch is printed. */
export async function chooseForBatch(
  db: Database,
  person: Person,
  batchId: string,
  data: unknown,
): Promise<void> {
  demandRole(person, 'teacher', 'helper');
  const read = printChoice.safeParse(data);
  if (!read.success) throw new CannotNow(say('These print settings cannot be used: load the page again.'));
  await db.transaction(async (tx) => {
    const batch = await openBatch(tx, batchId);
    await tx.update(batches).set({ choice: read.data, estimate: null }).where(eq(batches.id, batch.id));
    await announce(tx, 'printroom');
  });
}

/** Plans a batch for a printer, or for none. */
export async function planBatch(
  db: Database,
  person: Person,
  batchId: string,
  printerId: string | undefined,
): Promise<void> {
  demandRole(person, 'teacher', 'helper');
  await db.transaction(async (tx) => {
    const batch = await openBatch(tx, batchId);
    const plannedFor = await printerToPlan(tx, printerId);
    await tx.update(batches).set({ plannedFor }).where(eq(batches.id, batch.id));
    await announce(tx, 'printroom');
  });
}

/** Takes a part off a batch; it waits again. An empty batch is deleted. */
export async function takeOffBatch(
  db: Database,
  person: Person,
  batchId: string,
  entryId: string,
): Promise<void> {
  demandRole(person, 'teacher', 'helper');
  await db.transaction(async (tx) => {
    const batch = await openBatch(tx, batchId);
    await setBack(tx, person, batch.id, entryId);
    await tx.update(batches).set({ estimate: null }).where(eq(batches.id, batch.id));
    await endEmptyBatches(tx, person);
  });
}

/** Gives a batch up: its parts wait again. What was tried to print it is kept. */
export async function discardBatch(db: Database, person: Person, batchId: string): Promise<void> {
  demandRole(person, 'teacher', 'helper');
  await db.transaction(async (tx) => {
    const batch = await openBatch(tx, batchId);
    const wasTried = (await tx.$count(runs, eq(runs.batchId, batch.id))) > 0;
    const parts = await tx.select().from(batchParts).where(eq(batchParts.batchId, batch.id));
    for (const { queueEntryId } of parts) await setBack(tx, person, batch.id, queueEntryId, wasTried);
    if (wasTried) await moveBatch(tx, 'discard', person, batch.id);
    else await takeBatchApart(tx, person, batch.id);
  });
}

/** A batch that can be changed, with its parts and what they are printed with. */
export async function batchToSee(db: Database, person: Person, batchId: string) {
  demandRole(person, 'teacher', 'helper');
  const [batch] = await db.select().from(batches).where(isId(batchId, batches.id));
  if (!batch) throw new NotAllowed();
  const all = await partsOf(db, [batch.id]);
  const tries = await db.select().from(runs).where(eq(runs.batchId, batch.id)).orderBy(desc(runs.startedAt));
  const spoolId = tries.find((run) => run.spoolId !== null)?.spoolId;
  const [spool] = spoolId ? await db.select().from(spools).where(eq(spools.id, spoolId)) : [];
  return { batch, parts: all, tries, spool };
}

/** The solid of a print file that has or had a place on a batch, as STL. */
export async function fileOnBatch(
  db: Database,
  person: Person,
  batchId: string,
  fileId: string,
): Promise<Uint8Array> {
  demandRole(person, 'teacher', 'helper');
  const [file] = await db
    .select({ stl: printFiles.stl })
    .from(printFiles)
    .innerJoin(queueEntries, eq(queueEntries.printFileId, printFiles.id))
    .innerJoin(batchParts, eq(batchParts.queueEntryId, queueEntries.id))
    .where(and(isId(fileId, printFiles.id), isId(batchId, batchParts.batchId)))
    .limit(1);
  if (!file) throw new NotAllowed();
  return file.stl;
}

/** The batches that are laid and not printed, the earliest first. */
export async function openBatches(db: Database, person: Person) {
  demandRole(person, 'teacher', 'helper');
  const open = await db
    .selectDistinct({ batch: batches })
    .from(batches)
    .innerJoin(batchParts, and(eq(batchParts.batchId, batches.id), batchParts.isCurrent))
    .orderBy(asc(batches.number));
  const parts = await partsOf(
    db,
    open.map(({ batch }) => batch.id),
  );
  return open.map(({ batch }) => ({ ...batch, parts: parts.filter(({ batchId }) => batchId === batch.id) }));
}

/** The files of parts that wait and may be printed, in the given order; throws if one of them does not or may not. */
async function waitingParts(db: Database, entryIds: readonly string[]) {
  if (entryIds.length === 0) throw new CannotNow(say('Choose the parts to lay.'));
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
      say('Some of these parts are not waiting any more: load the page again to see where they are.'),
    );
  const doubted = found.find(({ doubt }) => doubt);
  if (doubted)
    throw new CannotNow(
      say('{doubt} The teacher has to decide on it again first; until then, leave it out.', {
        doubt: doubted.doubt!,
      }),
    );
  return found;
}

/** Throws unless parts can be printed together. */
function demandOneKind(parts: readonly { readonly name: string; readonly limits: LimitsCard }[]): void {
  const [first, ...others] = parts;
  const other = others.find(({ limits }) => kindOf(limits) !== kindOf(first.limits));
  if (!other) return;
  throw new CannotNow(
    sameMaterial(first.limits.material, other.limits.material)
      ? say(
          '{name} and {name2} are printed in other layers or on another printer: lay them on two batches.',
          { name: first.name, name2: other.name },
        )
      : say('{name} is for {material}, {name2} for {material2}: lay them on two batches.', {
          name: first.name,
          material: first.limits.material,
          name2: other.name,
          material2: other.limits.material,
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
      say('Some of these parts are not waiting any more: load the page again to see where they are.'),
    );
  await tx
    .insert(batchParts)
    .values(placed.map(({ id, xMm, yMm, turnDeg }) => ({ batchId, queueEntryId: id, xMm, yMm, turnDeg })));
}

/** Has a part wait again; its place is forgotten, or kept as one of the past. */
async function setBack(
  tx: Database,
  person: Person,
  batchId: string,
  entryId: string,
  isPast = false,
): Promise<void> {
  const entry = isId(entryId, batchParts.queueEntryId);
  const here = and(eq(batchParts.batchId, batchId), entry);
  const left = isPast
    ? await tx.update(batchParts).set({ isCurrent: false }).where(here).returning()
    : await tx.delete(batchParts).where(here).returning();
  if (left.length === 0) throw new NotAllowed();
  await moveEntries(tx, 'takeOff', person, eq(queueEntries.id, entryId));
}

async function printerToPlan(tx: Database, printerId: string | undefined): Promise<string | null> {
  if (printerId === undefined) return null;
  const [printer] = await tx
    .select({ id: printers.id })
    .from(printers)
    .where(and(isId(printerId, printers.id), isNull(printers.retiredAt)));
  if (!printer) throw new NotAllowed();
  return printer.id;
}

function placeOf(batchId: string, entryId: string) {
  return and(eq(batchParts.batchId, batchId), eq(batchParts.queueEntryId, entryId));
}
