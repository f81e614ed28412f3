import { randomUUID } from 'node:crypto';
import { and, desc, eq, inArray, isNotNull, isNull, sql } from 'drizzle-orm';
import { designOf, type Design } from '@kelbrin/core/design';
import type { LimitsCard } from '@kelbrin/core/inspect';
import { demandRole, NotAllowed, ownProject, type Person } from '../platform/auth/access.ts';
import { worksOn } from '../platform/auth/team.ts';
import type { Database } from '../platform/db/database.ts';
import {
  briefs,
  classMembers,
  fieldOf,
  handIns,
  limitsCards,
  printFiles,
  projects,
  queueEntries,
} from '../platform/db/schema/index.ts';
import { newProject } from './lifecycle.ts';
import { announce } from '../platform/live/topics.ts';

/** Where a project stands, in the order in which it gets there. */
export type ProjectState =
  | 'designing'
  | 'checking'
  | 'waiting'
  | 'sent_back'
  | 'approved'
  | 'printing'
  | 'printed';

/** What a save came to: the new revision, or what was saved in between, with the keys of the last saves. */
export type Saved =
  | { ok: true; revision: number }
  | { ok: false; revision: number; design: Design; saves: string[] };

/** So many saves are known by their keys: more than two people make while one answer is waited for. */
const SAVES_KNOWN = 20;

/**
 * Saves a design that was made from `baseRevision`. If another save came first, nothing is changed and that one is
 * handed back, so that the work of both can be merged. The key tells this save from others. Throws {@link NotAllowed}
 * unless the student works on the project.
 */
export async function saveDesign(
  db: Database,
  person: Person,
  projectId: string,
  baseRevision: number,
  design: Design,
  key: string = randomUUID(),
): Promise<Saved> {
  const { project, brief } = await ownProject(db, person, projectId);
  const [saved] = await db
    .update(projects)
    .set({
      design,
      revision: sql`${projects.revision} + 1`,
      saves: sql`(array_prepend(${key}, ${projects.saves}))[1:${sql.raw(String(SAVES_KNOWN))}]`,
      updatedAt: new Date(),
    })
    .where(and(eq(projects.id, project.id), eq(projects.revision, baseRevision)))
    .returning({ revision: projects.revision });
  if (saved) {
    await announce(db, `project:${project.id}`, `class:${brief.classId}`);
    return { ok: true, revision: saved.revision };
  }
  const [current] = await db.select().from(projects).where(eq(projects.id, project.id));
  return { ok: false, revision: current.revision, design: current.design, saves: current.saves };
}

/** Opens the student's or the team's project for a brief, beginning it if there is none; returns its id. */
export async function openProject(db: Database, person: Person, briefId: string): Promise<string> {
  demandRole(person, 'student');
  const [brief] = await briefsOf(db, person).then((all) => all.filter(({ id }) => id === briefId));
  if (!brief) throw new NotAllowed();
  return db.transaction(async (tx) => {
    // While the brief is shared nobody joins a team for it, which would be a second project of the student's.
    await tx.select({ id: briefs.id }).from(briefs).where(eq(briefs.id, briefId)).for('share');
    const own = and(eq(projects.briefId, briefId), worksOn(tx, person.id));
    const [begun] = await tx.select({ id: projects.id }).from(projects).where(own);
    if (begun) return begun.id;
    // Two clicks at once begin one project: the second finds the first one's.
    const design = designOf(brief.starter ?? undefined);
    await newProject(tx, person, { briefId, studentId: person.id, design });
    const [project] = await tx.select({ id: projects.id }).from(projects).where(own);
    return project.id;
  });
}

/** The briefs of the classes that a student is in. */
export async function briefsOf(db: Database, student: Person) {
  const rows = await db
    .select({ brief: briefs })
    .from(briefs)
    .innerJoin(classMembers, eq(classMembers.classId, briefs.classId))
    .where(
      and(eq(classMembers.userId, student.id), isNull(classMembers.archivedAt), isNotNull(briefs.shownAt)),
    )
    .orderBy(briefs.dueOn);
  return rows.map(({ brief }) => brief);
}

/** The limits that hold for a class. */
export async function limitsOf(db: Database, limitsCardId: string): Promise<LimitsCard> {
  const [{ card }] = await db.select().from(limitsCards).where(eq(limitsCards.id, limitsCardId));
  return card;
}

/** Where projects stand, with the last hand-in of each and what was said about it. */
export interface Standing {
  readonly state: ProjectState;
  readonly handInId?: string;
  readonly comment?: string;
  readonly verdict?: 'pass' | 'warn' | 'fail';
}

/** What the state of the last hand-in makes of its project. */
const asStanding: Record<(typeof handIns.$inferSelect)['state'], ProjectState> = {
  checking: 'checking',
  refused: 'sent_back',
  waiting: 'waiting',
  sent_back: 'sent_back',
  approved: 'approved',
  withdrawn: 'designing',
};

/** The standing of each of the given projects, by project id. */
export async function standings(db: Database, projectIds: readonly string[]): Promise<Map<string, Standing>> {
  const result = new Map<string, Standing>(projectIds.map((id) => [id, { state: 'designing' }]));
  if (projectIds.length === 0) return result;
  // Of several copies one that prints is told of, and all are printed when the last one is.
  const copies = db
    .select({
      printFileId: queueEntries.printFileId,
      state: sql<'waiting' | 'printing' | 'printed'>`case
        when bool_or(${queueEntries.state} = 'printing') then 'printing'
        when bool_and(${queueEntries.state} = 'printed') filter (where ${queueEntries.state} <> 'dropped') then 'printed'
        else 'waiting' end`.as('copies_state'),
    })
    .from(queueEntries)
    .groupBy(queueEntries.printFileId)
    .as('copies');
  const latest = await db
    .selectDistinctOn([handIns.projectId], {
      projectId: handIns.projectId,
      id: handIns.id,
      state: handIns.state,
      comment: handIns.comment,
      problem: handIns.problem,
      verdict: fieldOf<'pass' | 'warn' | 'fail' | null>(handIns.inspection, 'verdict'),
      queue: copies.state,
    })
    .from(handIns)
    .leftJoin(printFiles, eq(printFiles.handInId, handIns.id))
    .leftJoin(copies, eq(copies.printFileId, printFiles.id))
    .where(inArray(handIns.projectId, [...projectIds]))
    .orderBy(handIns.projectId, desc(handIns.number));
  for (const { projectId, id, state, comment, problem, verdict, queue } of latest) {
    result.set(projectId, {
      state: state === 'approved' && queue && queue !== 'waiting' ? queue : asStanding[state],
      handInId: id,
      comment: comment ?? problem ?? undefined,
      verdict: verdict ?? undefined,
    });
  }
  return result;
}
