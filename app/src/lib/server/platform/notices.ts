import { and, count, desc, eq, inArray, isNull, sql } from 'drizzle-orm';
import type { Person } from './auth/access.ts';
import type { Database } from './db/database.ts';
import {
  batchParts,
  briefs,
  classes,
  handIns,
  notices,
  printers,
  printFiles,
  projects,
  queueEntries,
  teamMembers,
} from './db/schema/index.ts';
import { announce } from './live/topics.ts';

/** What is told to everyone who works on a project. */
export type ProjectNews = 'sent_back' | 'refused' | 'approved' | 'printed' | 'print_failed';
/** What is told to the teacher of a brief's class. */
const briefNews = [
  'handed_in',
  'in_doubt',
  'run_failed',
  'run_due',
  'run_waits',
  'run_silent',
  'part_failed',
  'brief_late',
] as const;
export type BriefNews = (typeof briefNews)[number];

/** What is told of a printer to those who look after it. */
export type PrinterNews = 'printer_hot';

/** Whether news are of a brief, and so for its teacher. */
export function isBriefNews(news: ProjectNews | BriefNews): news is BriefNews {
  return briefNews.some((each) => each === news);
}

/** How many notices a page lists, and how long those that were seen are kept. */
const LISTED = 60;
const KEPT = sql`interval '60 days'`;

const isUnseen = isNull(notices.seenAt);
const again = { count: sql`${notices.count} + 1`, at: sql`now()` };

/** Tells everyone who works on a project. */
export async function tellStudents(tx: Database, projectId: string, kind: ProjectNews): Promise<void> {
  const [{ studentId }] = await tx
    .select({ studentId: projects.studentId })
    .from(projects)
    .where(eq(projects.id, projectId));
  const mates = await tx.select().from(teamMembers).where(eq(teamMembers.projectId, projectId));
  const people = [studentId, ...mates.map((mate) => mate.studentId)];
  await tx
    .insert(notices)
    .values(people.map((personId) => ({ personId, kind, projectId })))
    .onConflictDoUpdate({
      target: [notices.personId, notices.kind, notices.projectId],
      targetWhere: isUnseen,
      set: again,
    });
  await announce(tx, ...people.map((id) => `person:${id}` as const));
}

/** Takes back what was told of a project and nobody has seen, as when a decision is undone. */
export async function untellStudents(
  tx: Database,
  projectId: string,
  ...kinds: readonly ProjectNews[]
): Promise<void> {
  const gone = await tx
    .delete(notices)
    .where(and(eq(notices.projectId, projectId), inArray(notices.kind, [...kinds]), isUnseen))
    .returning({ personId: notices.personId });
  await announce(tx, ...gone.map(({ personId }) => `person:${personId}` as const));
}

/** Tells the teacher of the class for which a brief is set, and `others`. */
export async function tellTeacher(
  tx: Database,
  briefId: string,
  kind: BriefNews,
  others: readonly string[] = [],
): Promise<void> {
  const [{ personId }] = await tx
    .select({ personId: classes.teacherId })
    .from(briefs)
    .innerJoin(classes, eq(classes.id, briefs.classId))
    .where(eq(briefs.id, briefId));
  const people = [...new Set([personId, ...others])];
  await tx
    .insert(notices)
    .values(people.map((each) => ({ personId: each, kind, briefId })))
    .onConflictDoUpdate({
      target: [notices.personId, notices.kind, notices.briefId],
      targetWhere: isUnseen,
      set: again,
    });
  await announce(tx, ...people.map((id) => `person:${id}` as const));
}

/** Tells people of a printer. */
export async function tellOfPrinter(
  tx: Database,
  printerId: string,
  kind: PrinterNews,
  people: readonly string[],
): Promise<void> {
  if (people.length === 0) return;
  await tx
    .insert(notices)
    .values(people.map((personId) => ({ personId, kind, printerId })))
    .onConflictDoUpdate({
      target: [notices.personId, notices.kind, notices.printerId],
      targetWhere: isUnseen,
      set: again,
    });
  await announce(tx, ...people.map((id) => `person:${id}` as const));
}

/** How many notices a person has not seen. */
export async function unseenCount(db: Database, person: Person): Promise<number> {
  const [{ unseen }] = await db
    .select({ unseen: count() })
    .from(notices)
    .where(and(eq(notices.personId, person.id), isUnseen));
  return unseen;
}

/** A person's notices, the newest first. */
export async function noticesOf(db: Database, person: Person) {
  return db
    .select({
      id: notices.id,
      kind: notices.kind,
      count: notices.count,
      at: notices.at,
      isNew: sql<boolean>`${notices.seenAt} is null`,
      projectId: notices.projectId,
      /** Whether there is a photo of what came off the plate. */
      hasPhoto: sql<boolean>`${notices.kind} = 'print_failed' and exists (
        select from ${batchParts}
        join ${queueEntries} on ${queueEntries.id} = ${batchParts.queueEntryId}
        join ${printFiles} on ${printFiles.id} = ${queueEntries.printFileId}
        join ${handIns} on ${handIns.id} = ${printFiles.handInId}
        where ${handIns.projectId} = ${notices.projectId} and ${batchParts.outcomePhoto} is not null)`,
      briefId: briefs.id,
      /** What it is of; empty where that is a printer. */
      brief: sql<string>`coalesce(${briefs.title}, '')`,
      className: sql<string>`coalesce(${classes.name}, '')`,
      printer: sql<string>`coalesce(${printers.name}, '')`,
    })
    .from(notices)
    .leftJoin(projects, eq(projects.id, notices.projectId))
    .leftJoin(briefs, sql`${briefs.id} = coalesce(${notices.briefId}, ${projects.briefId})`)
    .leftJoin(classes, eq(classes.id, briefs.classId))
    .leftJoin(printers, eq(printers.id, notices.printerId))
    .where(eq(notices.personId, person.id))
    .orderBy(desc(notices.at))
    .limit(LISTED);
}

/** Notes that a person has seen all notices; old ones go. */
export async function seeNotices(db: Database, person: Person): Promise<void> {
  await db
    .delete(notices)
    .where(and(eq(notices.personId, person.id), sql`${notices.seenAt} < now() - ${KEPT}`));
  await db
    .update(notices)
    .set({ seenAt: new Date() })
    .where(and(eq(notices.personId, person.id), isUnseen));
}
