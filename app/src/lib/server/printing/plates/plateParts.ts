import { and, asc, eq, inArray, sql } from 'drizzle-orm';
import { isId, NotAllowed } from '../../platform/auth/access.ts';
import { namesOnProject } from '../../platform/auth/team.ts';
import { CannotNow } from '../../platform/basics/cannotNow.ts';
import type { Database } from '../../platform/db/database.ts';
import {
  briefs,
  classes,
  handIns,
  plateParts,
  plates,
  printFiles,
  projects,
  queueEntries,
  users,
} from '../../platform/db/schema/index.ts';

/** The size that a hand-in was designed with, as its inspection found it. */
export const designedMm = sql<readonly number[] | null>`${handIns.inspection} #> '{part,sizeMm}'`;

/** The parts that have or had a place on a plate, with whose they are. The files themselves are left out. */
export async function partsOf(db: Database, plateIds: readonly string[]) {
  if (plateIds.length === 0) return [];
  return db
    .select({
      plateId: plateParts.plateId,
      entryId: plateParts.queueEntryId,
      xMm: plateParts.xMm,
      yMm: plateParts.yMm,
      turnDeg: plateParts.turnDeg,
      isCurrent: plateParts.isCurrent,
      outcome: plateParts.outcome,
      outcomeNote: plateParts.outcomeNote,
      measuredMm: plateParts.measuredMm,
      designedMm,
      hasPhoto: sql<boolean>`${plateParts.outcomePhoto} is not null`,
      copy: queueEntries.copy,
      fileId: printFiles.id,
      name: printFiles.name,
      hash: printFiles.hash,
      footprint: printFiles.footprint,
      estimate: printFiles.estimate,
      handInId: handIns.id,
      limits: handIns.limits,
      doubt: handIns.doubt,
      isApproved: sql<boolean>`${handIns.state} = 'approved'`,
      projectId: projects.id,
      student: namesOnProject,
      briefId: briefs.id,
      brief: briefs.title,
      classId: classes.id,
      className: classes.name,
    })
    .from(plateParts)
    .innerJoin(queueEntries, eq(queueEntries.id, plateParts.queueEntryId))
    .innerJoin(printFiles, eq(printFiles.id, queueEntries.printFileId))
    .innerJoin(handIns, eq(handIns.id, printFiles.handInId))
    .innerJoin(projects, eq(projects.id, handIns.projectId))
    .innerJoin(users, eq(users.id, projects.studentId))
    .innerJoin(briefs, eq(briefs.id, projects.briefId))
    .innerJoin(classes, eq(classes.id, briefs.classId))
    .where(inArray(plateParts.plateId, [...plateIds]))
    .orderBy(asc(users.name), asc(queueEntries.copy), asc(queueEntries.id));
}
export type PlatePart = Awaited<ReturnType<typeof partsOf>>[number];

/** A plate that is held until the end of the transaction and may be changed: it is on no printer and not printed. */
export async function openPlate(tx: Database, plateId: string): Promise<typeof plates.$inferSelect> {
  const [plate] = await tx.select().from(plates).where(isId(plateId, plates.id)).for('no key update');
  if (!plate) throw new NotAllowed();
  if (plate.state === 'printing') throw new CannotNow(`Plate ${plate.number} is on a printer.`);
  if (plate.state === 'printed') throw new CannotNow(`Plate ${plate.number} is printed.`);
  if (plate.state === 'discarded') throw new CannotNow(`Plate ${plate.number} was taken apart.`);
  return plate;
}

/** The parts of a plate that are to be printed with it. */
export async function currentParts(db: Database, plateId: string): Promise<PlatePart[]> {
  return (await partsOf(db, [plateId])).filter(({ isCurrent }) => isCurrent);
}

/** Notes that parts are on a plate no more. */
export async function closePlaces(tx: Database, plateId: string): Promise<void> {
  await tx
    .update(plateParts)
    .set({ isCurrent: false })
    .where(and(eq(plateParts.plateId, plateId), plateParts.isCurrent));
}
