import { randomBytes } from 'node:crypto';
import { and, desc, eq, gt, inArray, sql } from 'drizzle-orm';
import { partOf, recipeOf } from '@kelbrin/core/design';
import { SHARE_DAYS } from '../../../shared/shareDays.ts';
import { classToTeach, isId, NotAllowed, ownProject, type Person } from '../../platform/auth/access.ts';
import { CannotNow } from '../../platform/basics/cannotNow.ts';
import { namesOnProject, worksOn } from '../../platform/auth/team.ts';
import { projectsWithOwner } from '../../platform/auth/withOwner.ts';
import type { Database } from '../../platform/db/database.ts';
import { briefs, classes, limitsCards, projects, shares, versions } from '../../platform/db/schema/index.ts';
import { endShares, newShare } from './lifecycle.ts';
import { filesFor } from '../projectFiles.ts';
import { say } from '@kelbrin/core/words';

/** More links of one project than this nobody keeps in mind. */
const MOST_SHARES = 20;

const isLive = gt(shares.expiresAt, sql`now()`);

/** Makes a link to a version of a student's own project, for some days; returns what stands in it. */
export async function share(
  db: Database,
  person: Person,
  projectId: string,
  versionNumber: number,
  days: number,
): Promise<string> {
  const { project } = await ownProject(db, person, projectId);
  if (!SHARE_DAYS.some((each) => each === days)) {
    throw new CannotNow('A link works for {days} days: choose one of these.', {
      days: SHARE_DAYS.join(', '),
    });
  }
  const [version] = await db
    .select({ id: versions.id })
    .from(versions)
    .where(and(eq(versions.projectId, project.id), eq(versions.number, versionNumber)));
  if (!version) throw new NotAllowed();
  if ((await sharesOf(db, person, projectId)).length >= MOST_SHARES) {
    throw new CannotNow('A project has at most {most} links: end one first.', { most: MOST_SHARES });
  }
  const token = randomBytes(18).toString('base64url');
  await db.transaction(async (tx) => {
    await newShare(tx, person, {
      token,
      versionId: version.id,
      expiresAt: new Date(Date.now() + days * 24 * 3600 * 1000),
    });
  });
  return token;
}

/** The links of a student's own project that still hold, the newest first. */
export async function sharesOf(db: Database, person: Person, projectId: string) {
  const { project } = await ownProject(db, person, projectId);
  return db
    .select({
      id: shares.id,
      token: shares.token,
      version: versions.number,
      expiresAt: shares.expiresAt,
    })
    .from(shares)
    .innerJoin(versions, eq(versions.id, shares.versionId))
    .where(and(eq(versions.projectId, project.id), isLive))
    .orderBy(desc(shares.createdAt));
}

/** Takes a link back; from then on it leads nowhere. */
export async function unshare(
  db: Database,
  person: Person,
  projectId: string,
  shareId: string,
): Promise<void> {
  const { project } = await ownProject(db, person, projectId);
  const own = db.select({ id: versions.id }).from(versions).where(eq(versions.projectId, project.id));
  await db.transaction(async (tx) => {
    await endShares(tx, 'unshare', person, and(isId(shareId, shares.id), inArray(shares.versionId, own)));
  });
}

/** The links into a class that still hold, with whose work they show. */
export async function sharesInClass(db: Database, classId: string) {
  return projectsWithOwner(db, {
    id: shares.id,
    student: namesOnProject,
    brief: briefs.title,
    version: versions.number,
    expiresAt: shares.expiresAt,
  })
    .innerJoin(versions, eq(versions.projectId, projects.id))
    .innerJoin(shares, eq(shares.versionId, versions.id))
    .where(and(eq(briefs.classId, classId), isLive))
    .orderBy(desc(shares.createdAt));
}

/** Takes back a link into one of the teacher's classes. */
export async function revokeShare(
  db: Database,
  teacher: Person,
  classId: string,
  shareId: string,
): Promise<void> {
  const { id } = await classToTeach(db, teacher, classId);
  const inClass = db
    .select({ id: versions.id })
    .from(versions)
    .innerJoin(projects, eq(projects.id, versions.projectId))
    .innerJoin(briefs, eq(briefs.id, projects.briefId))
    .where(eq(briefs.classId, id));
  await db.transaction(async (tx) => {
    const which = and(isId(shareId, shares.id), inArray(shares.versionId, inClass));
    if ((await endShares(tx, 'revoke', teacher, which)) === 0) throw new NotAllowed();
  });
}

/** Ends all links to what students work on, alone or in a team. */
export async function endSharesOf(
  tx: Database,
  teacher: Person,
  studentIds: readonly string[],
): Promise<void> {
  for (const studentId of studentIds) {
    const own = tx
      .select({ id: versions.id })
      .from(versions)
      .innerJoin(projects, eq(projects.id, versions.projectId))
      .where(worksOn(tx, studentId));
    await endShares(tx, 'endWithStudent', teacher, inArray(shares.versionId, own));
  }
}

/** What a link shows to whoever has it; throws {@link NotAllowed} for one that does not hold. */
export async function sharedVersion(db: Database, token: string) {
  const [found] = await projectsWithOwner(db, {
    projectId: projects.id,
    design: versions.design,
    number: versions.number,
    student: namesOnProject,
    brief: briefs.title,
    card: limitsCards.card,
    expiresAt: shares.expiresAt,
  })
    .innerJoin(versions, eq(versions.projectId, projects.id))
    .innerJoin(shares, eq(shares.versionId, versions.id))
    .innerJoin(limitsCards, eq(limitsCards.id, classes.limitsCardId))
    .where(and(eq(shares.token, token), isLive));
  if (!found) throw new NotAllowed(say('This link leads nowhere: it was taken back, or its time is over.'));
  const { design, ...rest } = found;
  return { ...rest, recipe: recipeOf(design), part: partOf(design, design.chosen).name };
}

/** A mesh that a shared version imports; throws {@link NotAllowed} for any other. */
export async function sharedFile(db: Database, token: string, hash: string): Promise<Uint8Array> {
  const { projectId, recipe } = await sharedVersion(db, token);
  const stl = (await filesFor(db, projectId, recipe)).get(hash);
  if (!stl) throw new NotAllowed();
  return stl;
}
