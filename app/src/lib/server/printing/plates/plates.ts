import { and, asc, desc, eq, inArray, isNull } from 'drizzle-orm';
import type { LimitsCard } from '@kelbrin/core/inspect';
import type { Placed } from '@kelbrin/core/plate';
import { printChoice, sameMaterial, type PrintChoice } from '@kelbrin/core/slice';
import { kindOf, placementDraft } from '../../../shared/plate.ts';
import { demandRole, isId, NotAllowed, type Person } from '../../platform/auth/access.ts';
import { CannotNow } from '../../platform/basics/cannotNow.ts';
import type { Database } from '../../platform/db/database.ts';
import {
  handIns,
  plateParts,
  plates,
  printers,
  printFiles,
  queueEntries,
  runs,
  spools,
} from '../../platform/db/schema/index.ts';
import { announce } from '../../platform/live/topics.ts';
import { moveEntries } from '../queue/lifecycle.ts';
import { layOut } from './layOut.ts';
import { endEmptyPlates, movePlate, newPlate, takePlateApart } from './lifecycle.ts';
import { openPlate, partsOf } from './plateParts.ts';

/** What became of parts that were to be laid. */
export interface Laid {
  readonly plateId: string;
  /** How many found no room and wait on. */
  readonly left: number;
}

/** Lays waiting parts on a new plate, as many as find room. */
export async function layPlate(
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
  if (placed.length === 0) throw new CannotNow(`${parts[0].name} has no room on the bed.`);
  return db.transaction(async (tx) => {
    const plateId = await newPlate(tx, person, {
      choice,
      createdBy: person.id,
      plannedFor: await printerToPlan(tx, plannedFor),
    });
    await takeIn(tx, person, plateId, placed);
    return { plateId, left: left.length };
  });
}

/** Lays more waiting parts on a plate, around those that are there; returns how many found no room. */
export async function addToPlate(
  db: Database,
  person: Person,
  plateId: string,
  entryIds: readonly string[],
): Promise<number> {
  const { plate, parts } = await plateToSee(db, person, plateId);
  const before = parts.filter(({ isCurrent }) => isCurrent);
  if (before.length === 0) throw new CannotNow(`Plate ${plate.number} is printed.`);
  const more = await waitingParts(db, entryIds);
  demandOneKind([...before, ...more]);
  const { placed, left } = await layOut(more, before[0].limits, plate.choice, before.map(asPlaced));
  await db.transaction(async (tx) => {
    await openPlate(tx, plateId);
    await takeIn(tx, person, plateId, placed);
    await tx.update(plates).set({ estimate: null }).where(eq(plates.id, plateId));
    await announce(tx, 'printroom');
  });
  return left.length;
}

/** Lays all parts of a plate anew; those that find no room wait again. Returns how many these are. */
export async function arrangePlate(db: Database, person: Person, plateId: string): Promise<number> {
  const { plate, parts: all } = await plateToSee(db, person, plateId);
  const parts = all.filter(({ isCurrent }) => isCurrent);
  if (parts.length === 0) throw new CannotNow(`Plate ${plate.number} is printed.`);
  const { placed, left } = await layOut(parts.map(asPlaced), parts[0].limits, plate.choice);
  await db.transaction(async (tx) => {
    await openPlate(tx, plateId);
    for (const { id, xMm, yMm, turnDeg } of placed) {
      await tx.update(plateParts).set({ xMm, yMm, turnDeg }).where(placeOf(plateId, id));
    }
    for (const entryId of left) await setBack(tx, person, plateId, entryId);
    await tx.update(plates).set({ estimate: null }).where(eq(plates.id, plateId));
    await announce(tx, 'printroom');
  });
  return left.length;
}

/** Puts a part where a person wants it; whether it lies well there is asked when the plate is started. */
export async function movePart(
  db: Database,
  person: Person,
  plateId: string,
  entryId: string,
  data: unknown,
): Promise<void> {
  demandRole(person, 'teacher', 'helper');
  const read = placementDraft.safeParse(data);
  if (!read.success) throw new CannotNow('That place is not on the bed.');
  await db.transaction(async (tx) => {
    const plate = await openPlate(tx, plateId);
    const moved = await tx
      .update(plateParts)
      .set(read.data)
      .where(and(eq(plateParts.plateId, plate.id), isId(entryId, plateParts.queueEntryId)))
      .returning({ id: plateParts.queueEntryId });
    if (moved.length === 0) throw new NotAllowed();
    await tx.update(plates).set({ estimate: null }).where(eq(plates.id, plate.id));
    await announce(tx, 'printroom');
  });
}

/** Chooses how a plate is printed. */
export async function chooseForPlate(
  db: Database,
  person: Person,
  plateId: string,
  data: unknown,
): Promise<void> {
  demandRole(person, 'teacher', 'helper');
  const read = printChoice.safeParse(data);
  if (!read.success) throw new CannotNow('These print settings cannot be.');
  await db.transaction(async (tx) => {
    const plate = await openPlate(tx, plateId);
    await tx.update(plates).set({ choice: read.data, estimate: null }).where(eq(plates.id, plate.id));
    await announce(tx, 'printroom');
  });
}

/** Plans a plate for a printer, or for none. */
export async function planPlate(
  db: Database,
  person: Person,
  plateId: string,
  printerId: string | undefined,
): Promise<void> {
  demandRole(person, 'teacher', 'helper');
  await db.transaction(async (tx) => {
    const plate = await openPlate(tx, plateId);
    const plannedFor = await printerToPlan(tx, printerId);
    await tx.update(plates).set({ plannedFor }).where(eq(plates.id, plate.id));
    await announce(tx, 'printroom');
  });
}

/** Takes a part off a plate; it waits again. An empty plate is deleted. */
export async function takeOffPlate(
  db: Database,
  person: Person,
  plateId: string,
  entryId: string,
): Promise<void> {
  demandRole(person, 'teacher', 'helper');
  await db.transaction(async (tx) => {
    const plate = await openPlate(tx, plateId);
    await setBack(tx, person, plate.id, entryId);
    await tx.update(plates).set({ estimate: null }).where(eq(plates.id, plate.id));
    await endEmptyPlates(tx, person);
  });
}

/** Gives a plate up: its parts wait again. What was tried to print it is kept. */
export async function discardPlate(db: Database, person: Person, plateId: string): Promise<void> {
  demandRole(person, 'teacher', 'helper');
  await db.transaction(async (tx) => {
    const plate = await openPlate(tx, plateId);
    const wasTried = (await tx.$count(runs, eq(runs.plateId, plate.id))) > 0;
    const parts = await tx.select().from(plateParts).where(eq(plateParts.plateId, plate.id));
    for (const { queueEntryId } of parts) await setBack(tx, person, plate.id, queueEntryId, wasTried);
    if (wasTried) await movePlate(tx, 'discard', person, plate.id);
    else await takePlateApart(tx, person, plate.id);
  });
}

/** A plate that can be changed, with its parts and what they are printed with. */
export async function plateToSee(db: Database, person: Person, plateId: string) {
  demandRole(person, 'teacher', 'helper');
  const [plate] = await db.select().from(plates).where(isId(plateId, plates.id));
  if (!plate) throw new NotAllowed();
  const all = await partsOf(db, [plate.id]);
  const tries = await db.select().from(runs).where(eq(runs.plateId, plate.id)).orderBy(desc(runs.startedAt));
  const spoolId = tries.find((run) => run.spoolId !== null)?.spoolId;
  const [spool] = spoolId ? await db.select().from(spools).where(eq(spools.id, spoolId)) : [];
  return { plate, parts: all, tries, spool };
}

/** The solid of a print file that has or had a place on a plate, as STL. */
export async function fileOnPlate(
  db: Database,
  person: Person,
  plateId: string,
  fileId: string,
): Promise<Uint8Array> {
  demandRole(person, 'teacher', 'helper');
  const [file] = await db
    .select({ stl: printFiles.stl })
    .from(printFiles)
    .innerJoin(queueEntries, eq(queueEntries.printFileId, printFiles.id))
    .innerJoin(plateParts, eq(plateParts.queueEntryId, queueEntries.id))
    .where(and(isId(fileId, printFiles.id), isId(plateId, plateParts.plateId)))
    .limit(1);
  if (!file) throw new NotAllowed();
  return file.stl;
}

/** The plates that are laid and not printed, the earliest first. */
export async function openPlates(db: Database, person: Person) {
  demandRole(person, 'teacher', 'helper');
  const open = await db
    .selectDistinct({ plate: plates })
    .from(plates)
    .innerJoin(plateParts, and(eq(plateParts.plateId, plates.id), plateParts.isCurrent))
    .orderBy(asc(plates.number));
  const parts = await partsOf(
    db,
    open.map(({ plate }) => plate.id),
  );
  return open.map(({ plate }) => ({ ...plate, parts: parts.filter(({ plateId }) => plateId === plate.id) }));
}

/** The files of parts that wait and may be printed, in the given order; throws if one of them does not or may not. */
async function waitingParts(db: Database, entryIds: readonly string[]) {
  if (entryIds.length === 0) throw new CannotNow('Choose the parts to lay.');
  const found = await db
    .select({
      id: queueEntries.id,
      name: printFiles.name,
      footprint: printFiles.footprint,
      limits: handIns.limits,
      doubt: handIns.doubt,
    })
    .from(queueEntries)
    .innerJoin(printFiles, eq(printFiles.id, queueEntries.printFileId))
    .innerJoin(handIns, eq(handIns.id, printFiles.handInId))
    .where(
      and(
        inArray(queueEntries.id, [...entryIds]),
        eq(queueEntries.state, 'waiting'),
        isNull(queueEntries.heldAt),
      ),
    )
    .orderBy(asc(queueEntries.position));
  if (found.length < new Set(entryIds).size)
    throw new CannotNow('Some of these parts are not waiting any more.');
  const doubted = found.find(({ doubt }) => doubt);
  if (doubted) throw new CannotNow(`${doubted.doubt} The teacher has to decide on it anew first.`);
  return found;
}

/** Throws unless parts can be printed together. */
function demandOneKind(parts: readonly { readonly name: string; readonly limits: LimitsCard }[]): void {
  const [first, ...others] = parts;
  const other = others.find(({ limits }) => kindOf(limits) !== kindOf(first.limits));
  if (!other) return;
  throw new CannotNow(
    sameMaterial(first.limits.material, other.limits.material)
      ? `${first.name} and ${other.name} are printed in other layers or on another printer: lay them on two plates.`
      : `${first.name} is for ${first.limits.material}, ${other.name} for ${other.limits.material}: lay them on two plates.`,
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
  plateId: string,
  placed: readonly Placed[],
): Promise<void> {
  if (placed.length === 0) return;
  const ids = placed.map(({ id }) => id);
  const taken = await moveEntries(tx, 'lay', person, inArray(queueEntries.id, ids));
  if (taken.length < ids.length) throw new CannotNow('Some of these parts are not waiting any more.');
  await tx
    .insert(plateParts)
    .values(placed.map(({ id, xMm, yMm, turnDeg }) => ({ plateId, queueEntryId: id, xMm, yMm, turnDeg })));
}

/** Has a part wait again; its place is forgotten, or kept as one of the past. */
async function setBack(
  tx: Database,
  person: Person,
  plateId: string,
  entryId: string,
  isPast = false,
): Promise<void> {
  const entry = isId(entryId, plateParts.queueEntryId);
  const here = and(eq(plateParts.plateId, plateId), entry);
  const left = isPast
    ? await tx.update(plateParts).set({ isCurrent: false }).where(here).returning()
    : await tx.delete(plateParts).where(here).returning();
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

function placeOf(plateId: string, entryId: string) {
  return and(eq(plateParts.plateId, plateId), eq(plateParts.queueEntryId, entryId));
}
