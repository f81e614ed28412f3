import { and, asc, desc, eq, inArray, sql } from 'drizzle-orm';
import { demandRole, NotAllowed, type Person } from './auth/access.ts';
import { namesOnProject } from './auth/team.ts';
import type { Database } from './db/database.ts';
import {
  briefs,
  classes,
  handIns,
  printers,
  printFiles,
  projects,
  queueEntries,
  runs,
  spools,
  users,
} from './db/schema/index.ts';
import { CannotNow } from './cannotNow.ts';
import { announce } from './live/topics.ts';
import { tellStudents, tellTeacher } from './notices.ts';
import { standings } from './projects.ts';
import { waiversOf } from './review/waivers.ts';

/** The states in which a run holds its printer. */
export const ACTIVE_RUN = ['preparing', 'sending', 'printing'] as const;

/** The queue in its order, each entry with whose it is and what it takes. */
export async function queue(db: Database, person: Person) {
  demandRole(person, 'teacher', 'helper');
  const entries = await db
    .select({
      id: queueEntries.id,
      copy: queueEntries.copy,
      copies: sql<number>`count(*) over (partition by ${printFiles.id})::int`,
      state: queueEntries.state,
      joinedAt: queueEntries.joinedAt,
      handInId: printFiles.handInId,
      name: printFiles.name,
      hash: printFiles.hash,
      doubt: handIns.doubt,
      estimate: printFiles.estimate,
      student: namesOnProject,
      className: classes.name,
      brief: briefs.title,
    })
    .from(queueEntries)
    .innerJoin(printFiles, eq(printFiles.id, queueEntries.printFileId))
    .innerJoin(handIns, eq(handIns.id, printFiles.handInId))
    .innerJoin(projects, eq(projects.id, handIns.projectId))
    .innerJoin(users, eq(users.id, projects.studentId))
    .innerJoin(briefs, eq(briefs.id, projects.briefId))
    .innerJoin(classes, eq(classes.id, briefs.classId))
    .orderBy(asc(queueEntries.position));
  const waived = await waiversOf(
    db,
    entries.map(({ handInId }) => handInId),
  );
  return entries.map((entry) => ({ ...entry, waivers: waived.get(entry.handInId) ?? [] }));
}

/** Every printer with the run it has now and the ones before, newest first. */
export async function printersWithRuns(db: Database, person: Person) {
  demandRole(person, 'teacher', 'helper');
  const all = await db
    .select({ printer: printers, spool: spools })
    .from(printers)
    .leftJoin(spools, eq(spools.id, printers.spoolId))
    .orderBy(asc(printers.name));
  const recent = await db
    .select({
      id: runs.id,
      printerId: runs.printerId,
      state: runs.state,
      progress: runs.progress,
      estimateS: runs.estimateS,
      problem: runs.problem,
      cancelAskedAt: runs.cancelAskedAt,
      startedAt: runs.startedAt,
      endedAt: runs.endedAt,
      part: printFiles.name,
      handInId: printFiles.handInId,
      student: namesOnProject,
    })
    .from(runs)
    .innerJoin(queueEntries, eq(queueEntries.id, runs.queueEntryId))
    .innerJoin(printFiles, eq(printFiles.id, queueEntries.printFileId))
    .innerJoin(handIns, eq(handIns.id, printFiles.handInId))
    .innerJoin(projects, eq(projects.id, handIns.projectId))
    .innerJoin(users, eq(users.id, projects.studentId))
    .orderBy(desc(runs.startedAt))
    .limit(60);
  const waived = await waiversOf(
    db,
    recent.map(({ handInId }) => handInId),
  );
  return all.map(({ printer: { id, name, model, status }, spool }) => {
    const own = recent
      .filter(({ printerId }) => printerId === id)
      .map((run) => ({ ...run, waivers: waived.get(run.handInId) ?? [] }));
    return {
      id,
      name,
      model,
      spool,
      status,
      run: own.find(({ state }) => isActive(state)),
      past: own.filter(({ state }) => !isActive(state)).slice(0, 6),
    };
  });
}

function isActive(state: string): boolean {
  return (ACTIVE_RUN as readonly string[]).includes(state);
}

/**
 * Starts a waiting part on an idle printer; the printer's keeper in the job process does the rest.
 * The database's own rules see to it that of two people who press at once, one is told that the other was first.
 */
export async function startRun(
  db: Database,
  person: Person,
  entryId: string,
  printerId: string,
): Promise<void> {
  demandRole(person, 'teacher', 'helper');
  await db.transaction(async (tx) => {
    const [printer] = await tx.select().from(printers).where(eq(printers.id, printerId)).for('update');
    if (!printer) throw new NotAllowed();
    if (!printer.status?.online) throw new CannotNow(`${printer.name} does not answer: is it switched on?`);
    const [busy] = await tx
      .select({ id: runs.id })
      .from(runs)
      .where(and(eq(runs.printerId, printer.id), inArray(runs.state, ACTIVE_RUN)));
    if (busy) throw new CannotNow(`${printer.name} is printing already.`);
    const [entry] = await tx
      .update(queueEntries)
      .set({ state: 'printing' })
      .where(and(eq(queueEntries.id, entryId), eq(queueEntries.state, 'waiting')))
      .returning();
    if (!entry) throw new CannotNow('This part is not waiting any more.');
    const [file] = await tx
      .select({
        estimate: printFiles.estimate,
        doubt: handIns.doubt,
        material: sql<string>`${handIns.limits} ->> 'material'`,
      })
      .from(printFiles)
      .innerJoin(handIns, eq(handIns.id, printFiles.handInId))
      .where(eq(printFiles.id, entry.printFileId));
    if (file.doubt) throw new CannotNow(`${file.doubt} The teacher has to decide on it anew first.`);
    await demandFilament(tx, printer, file);
    await tx.insert(runs).values({
      printerId: printer.id,
      queueEntryId: entry.id,
      spoolId: printer.spoolId,
      fileName: sql`'run-' || substr(md5(random()::text), 1, 10) || '.gcode'`,
      estimateS: file.estimate.seconds,
      startedBy: person.id,
    });
    await announceProjectOf(tx, entry.id);
    await announce(tx, 'printroom', 'orders');
  });
}

/** Throws unless the printer has a roll of the part's material with enough on it. */
async function demandFilament(
  tx: Database,
  { name, spoolId }: typeof printers.$inferSelect,
  { material, estimate }: { readonly material: string; readonly estimate: { readonly grams: number } },
): Promise<void> {
  const [spool] = spoolId ? await tx.select().from(spools).where(eq(spools.id, spoolId)) : [];
  if (!spool) throw new CannotNow(`No spool is noted for ${name}: say in “Spools” which one is on it.`);
  if (spool.material.toLowerCase() !== material.toLowerCase()) {
    throw new CannotNow(`This part is for ${material}, and there is ${spool.material} on ${name}.`);
  }
  if (spool.gramsLeft < estimate.grams) {
    throw new CannotNow(
      `This part takes ${estimate.grams.toFixed(1)} g, and spool ${spool.number} on ${name} has ${spool.gramsLeft.toFixed(1)} g left: change it, or weigh it.`,
    );
  }
}

/** Asks for a run to be given up; the part goes back to the queue once the printer has stopped. */
export async function cancelRun(db: Database, person: Person, runId: string): Promise<void> {
  demandRole(person, 'teacher', 'helper');
  const asked = await db
    .update(runs)
    .set({ cancelAskedAt: new Date() })
    .where(and(eq(runs.id, runId), inArray(runs.state, ACTIVE_RUN)))
    .returning({ id: runs.id });
  if (asked.length === 0) throw new CannotNow('This run is over already.');
  await announce(db, 'printroom', 'orders');
}

/** How a run ended. */
export type Ending = { state: 'finished' } | { state: 'cancelled' } | { state: 'failed'; problem: string };

/** Ends a run: a finished part is printed, any other waits in the queue again. */
export async function endRun(db: Database, runId: string, ending: Ending): Promise<void> {
  await db.transaction(async (tx) => {
    const [ended] = await tx
      .update(runs)
      .set({
        state: ending.state,
        endedAt: new Date(),
        ...(ending.state === 'finished' ? { progress: 1 } : {}),
        ...(ending.state === 'failed' ? { problem: ending.problem } : {}),
      })
      .where(and(eq(runs.id, runId), inArray(runs.state, ACTIVE_RUN)))
      .returning();
    if (!ended) return;
    await tx
      .update(queueEntries)
      .set({ state: ending.state === 'finished' ? 'printed' : 'waiting' })
      .where(eq(queueEntries.id, ended.queueEntryId));
    await useFilament(tx, ended);
    const { projectId, briefId } = await announceProjectOf(tx, ended.queueEntryId);
    if (ending.state === 'failed') await tellTeacher(tx, briefId, 'run_failed');
    const stands = (await standings(tx, [projectId])).get(projectId);
    if (stands?.state === 'printed') await tellStudents(tx, projectId, 'printed');
    await announce(tx, 'printroom');
  });
}

/** Takes what a run has printed off its spool; of one that ended early as much as it had come far. */
async function useFilament(tx: Database, run: typeof runs.$inferSelect): Promise<void> {
  if (!run.spoolId) return;
  const [{ estimate }] = await tx
    .select({ estimate: printFiles.estimate })
    .from(queueEntries)
    .innerJoin(printFiles, eq(printFiles.id, queueEntries.printFileId))
    .where(eq(queueEntries.id, run.queueEntryId));
  const grams = estimate.grams * run.progress;
  await tx
    .update(spools)
    .set({ gramsLeft: sql`greatest(0, ${spools.gramsLeft} - ${grams}::real)` })
    .where(eq(spools.id, run.spoolId));
}

/** Tells who follows the project of a queue's entry; returns that project and its brief. */
async function announceProjectOf(db: Database, entryId: string) {
  const [found] = await db
    .select({ projectId: projects.id, briefId: briefs.id, classId: briefs.classId })
    .from(queueEntries)
    .innerJoin(printFiles, eq(printFiles.id, queueEntries.printFileId))
    .innerJoin(handIns, eq(handIns.id, printFiles.handInId))
    .innerJoin(projects, eq(projects.id, handIns.projectId))
    .innerJoin(briefs, eq(briefs.id, projects.briefId))
    .where(eq(queueEntries.id, entryId));
  await announce(db, `project:${found.projectId}`, `class:${found.classId}`);
  return found;
}
