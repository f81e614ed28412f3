import { and, asc, desc, eq, sql } from 'drizzle-orm';
import { partOf, recipeOf } from '@kelbrin/core/design';
import { fileName } from '@kelbrin/core/format';
import { demandRole, handInToTeach, ownProject, type Person } from './auth/access.ts';
import { record } from './audit.ts';
import { CannotNow } from './cannotNow.ts';
import type { Database } from './db/database.ts';
import {
  briefs,
  classes,
  handIns,
  printFiles,
  projects,
  queueEntries,
  solids,
  users,
} from './db/schema/index.ts';
import { announce } from './live/topics.ts';
import { limitsOf } from './projects.ts';
import { sha256 } from './sha256.ts';
import { addVersion } from './versions.ts';

/**
 * Freezes a student's saved project as a version, and the part of it that is to be handed in as a hand-in that the server
 * will inspect; returns the hand-in's id.
 * The design comes from the database and not from the request, and so does every later step: nothing that a browser
 * says about a solid or its inspection is taken.
 */
export async function handIn(
  db: Database,
  person: Person,
  projectId: string,
  revision: number,
): Promise<string> {
  const { project, brief, limitsCardId } = await ownProject(db, person, projectId);
  if (project.revision !== revision) {
    throw new CannotNow('The project was changed in another tab: look at it again, then hand in.');
  }
  const recipe = recipeOf(project.design);
  const { name: part } = partOf(project.design, project.design.chosen);
  if (recipe.steps.length === 0) throw new CannotNow('There is nothing to hand in yet.');
  const limits = await limitsOf(db, limitsCardId);
  return db.transaction(async (tx) => {
    // One hand-in at a time a project: its row is locked until this one is in.
    await tx.select({ id: projects.id }).from(projects).where(eq(projects.id, project.id)).for('update');
    const [last] = await tx
      .select({ number: handIns.number, state: handIns.state })
      .from(handIns)
      .where(eq(handIns.projectId, project.id))
      .orderBy(desc(handIns.number))
      .limit(1);
    if (last?.state === 'checking' || last?.state === 'waiting') {
      throw new CannotNow('This project is handed in already; your teacher has not looked at it yet.');
    }
    if (last?.state === 'approved') throw new CannotNow('This project is approved already.');
    const number = (last?.number ?? 0) + 1;
    const version = await addVersion(tx, project, `Hand-in ${number}`);
    const [{ id }] = await tx
      .insert(handIns)
      .values({
        projectId: project.id,
        number,
        versionId: version.id,
        part,
        recipe,
        limits,
        rules: brief.rules,
      })
      .returning({ id: handIns.id });
    await record(tx, person, 'hand-in', brief.classId, [id]);
    await announce(tx, `project:${project.id}`, `class:${brief.classId}`);
    return id;
  });
}

/** Sends a hand-in back to its student with a comment. */
export async function sendBack(
  db: Database,
  person: Person,
  handInId: string,
  comment: string,
): Promise<void> {
  const { handIn, project, brief } = await handInToTeach(db, person, handInId);
  if (comment.trim() === '') throw new CannotNow('Say in a sentence what to change.');
  await db.transaction(async (tx) => {
    const decided = await tx
      .update(handIns)
      .set({ state: 'sent_back', comment: comment.trim(), decidedBy: person.id, decidedAt: new Date() })
      .where(and(eq(handIns.id, handIn.id), eq(handIns.state, 'waiting')))
      .returning({ id: handIns.id });
    if (decided.length === 0) throw new CannotNow('This hand-in is not waiting for a decision any more.');
    await record(tx, person, 'send-back', brief.classId, [handIn.id]);
    await announce(tx, `project:${project.id}`, `class:${brief.classId}`);
  });
}

/**
 * Approves a hand-in: its solid is frozen as a print file and joins the queue.
 *
 * `solidHash` is the hash of what the teacher was shown; approval is refused if the inspected solid is another one, if
 * its bytes no longer have the hash they were stored under, or if the inspection failed.
 */
export async function approve(
  db: Database,
  person: Person,
  handInId: string,
  solidHash: string,
): Promise<void> {
  const { handIn, project, brief, filePattern, student, version } = await handInToTeach(db, person, handInId);
  if (handIn.solidHash === null || handIn.solidHash !== solidHash) {
    throw new CannotNow('What you looked at is not what was inspected: open the hand-in again.');
  }
  if (handIn.inspection?.verdict === 'fail') {
    throw new CannotNow('A check failed, so the printer cannot make this: send it back with a comment.');
  }
  await db.transaction(async (tx) => {
    const decided = await tx
      .update(handIns)
      .set({ state: 'approved', decidedBy: person.id, decidedAt: new Date() })
      .where(and(eq(handIns.id, handIn.id), eq(handIns.state, 'waiting')))
      .returning({ id: handIns.id });
    if (decided.length === 0) throw new CannotNow('This hand-in is not waiting for a decision any more.');
    const [solid] = await tx.select().from(solids).where(eq(solids.hash, solidHash));
    if (sha256(solid.threeMf) !== solid.hash || sha256(solid.stl) !== solid.stlHash) {
      throw new CannotNow('The stored solid was altered after its inspection, so it cannot be approved.');
    }
    const [file] = await tx
      .insert(printFiles)
      .values({
        handInId: handIn.id,
        name: fileName(filePattern, { brief: brief.title, student, part: handIn.part, n: version }),
        hash: solid.hash,
        threeMf: solid.threeMf,
        stlHash: solid.stlHash,
        stl: solid.stl,
        estimate: solid.estimate,
      })
      .returning({ id: printFiles.id });
    await tx.insert(queueEntries).values({ printFileId: file.id });
    await record(tx, person, 'approve', brief.classId, [handIn.id]);
    await announce(tx, `project:${project.id}`, `class:${brief.classId}`, 'printroom');
  });
}

/** The hand-ins of a teacher's classes, those that wait first and the oldest of them first. */
export async function handInsToReview(db: Database, person: Person) {
  demandRole(person, 'teacher');
  return db
    .select({
      id: handIns.id,
      number: handIns.number,
      state: handIns.state,
      createdAt: handIns.createdAt,
      project: projects.name,
      student: users.name,
      brief: briefs.title,
      classId: classes.id,
      className: classes.name,
      verdict: sql<'pass' | 'warn' | 'fail' | null>`${handIns.inspection} ->> 'verdict'`,
    })
    .from(handIns)
    .innerJoin(projects, eq(projects.id, handIns.projectId))
    .innerJoin(users, eq(users.id, projects.studentId))
    .innerJoin(briefs, eq(briefs.id, projects.briefId))
    .innerJoin(classes, eq(classes.id, briefs.classId))
    .where(eq(classes.teacherId, person.id))
    .orderBy(desc(sql`${handIns.state} in ('waiting', 'checking')`), asc(handIns.createdAt));
}
