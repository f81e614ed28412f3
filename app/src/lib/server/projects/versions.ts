import { and, desc, eq, max } from 'drizzle-orm';
import type { Design } from '@kelbrin/core/design';
import { maySeeProject, NotAllowed, ownProject, type Person } from '../platform/auth/access.ts';
import { CannotNow } from '../platform/basics/cannotNow.ts';
import type { Database } from '../platform/db/database.ts';
import { handIns, projects, versions } from '../platform/db/schema/index.ts';
import { say } from '@kelbrin/core/words';

/** More than a term of lessons keeps. */
const MOST_VERSIONS = 200;
/** Their numbers go on where some were deleted, and never as far as this. */
const MOST_VERSIONS_EVER = 1_000_000;

/** A version without its design. */
export interface VersionLine {
  readonly id: string;
  readonly number: number;
  readonly name: string;
  readonly createdAt: Date;
}

const line = {
  id: versions.id,
  number: versions.number,
  name: versions.name,
  createdAt: versions.createdAt,
};

/** What a transaction and the database itself have in common. */
type Writer = Pick<Database, 'select' | 'insert'>;

/** Adds a version of a project as it is saved, called by its number unless it has a name; the caller holds the project's row. */
export async function addVersion(
  db: Writer,
  project: { readonly id: string; readonly design: Design },
  name?: string,
): Promise<VersionLine> {
  const [{ last }] = await db
    .select({ last: max(versions.number) })
    .from(versions)
    .where(eq(versions.projectId, project.id));
  const number = (last ?? 0) + 1;
  const [added] = await db
    .insert(versions)
    .values({
      projectId: project.id,
      number,
      name: name ?? say('Version {number}', { number }),
      design: project.design,
    })
    .returning(line);
  return added;
}

/**
 * Keeps a student's own project, as it is saved in `revision`, under a name. Throws {@link CannotNow} if it was saved
 * again since.
 */
export async function keepVersion(
  db: Database,
  person: Person,
  projectId: string,
  revision: number,
  name: string,
): Promise<VersionLine> {
  await ownProject(db, person, projectId);
  return db.transaction(async (tx) => {
    const [project] = await tx.select().from(projects).where(eq(projects.id, projectId)).for('no key update');
    if (project.revision !== revision) {
      throw new CannotNow('The project was changed in another tab: look at it again, then keep it.');
    }
    const kept = await tx.$count(versions, eq(versions.projectId, projectId));
    if (kept >= MOST_VERSIONS)
      throw new CannotNow('A project keeps at most {most} versions: delete one that you do not need first.', {
        most: MOST_VERSIONS,
      });
    return addVersion(tx, project, name.trim().slice(0, 60) || undefined);
  });
}

/**
 * Deletes a version of a student's own project, with the links to it. Throws {@link CannotNow} for one that was handed in:
 * the teacher's decision is about it.
 */
export async function deleteVersion(
  db: Database,
  person: Person,
  projectId: string,
  number: number,
): Promise<void> {
  await ownProject(db, person, projectId);
  const isIt = and(eq(versions.projectId, projectId), eq(versions.number, demandNumber(number)));
  await db.transaction(async (tx) => {
    // Whoever hands in holds the project's row, so that no version is handed in meanwhile.
    await tx
      .select({ id: projects.id })
      .from(projects)
      .where(eq(projects.id, projectId))
      .for('no key update');
    const [found] = await tx.select({ id: versions.id }).from(versions).where(isIt);
    if (!found) throw new NotAllowed();
    if ((await tx.$count(handIns, eq(handIns.versionId, found.id))) > 0)
      throw new CannotNow('This version was handed in, so it stays: delete another one.');
    await tx.delete(versions).where(isIt);
  });
}

/** The versions of a project that a person may see, the newest first. */
export async function versionsOf(db: Database, person: Person, projectId: string): Promise<VersionLine[]> {
  if (!(await maySeeProject(db, person, projectId))) throw new NotAllowed();
  return db
    .select(line)
    .from(versions)
    .where(eq(versions.projectId, projectId))
    .orderBy(desc(versions.number));
}

/** What a version of a project that a person may see held. */
export async function designOfVersion(
  db: Database,
  person: Person,
  projectId: string,
  number: number,
): Promise<Design> {
  if (!(await maySeeProject(db, person, projectId))) throw new NotAllowed();
  const [found] = await db
    .select({ design: versions.design })
    .from(versions)
    .where(and(eq(versions.projectId, projectId), eq(versions.number, demandNumber(number))));
  if (!found) throw new NotAllowed();
  return found.design;
}

/** A number that a version can have; throws {@link NotAllowed} for others. */
function demandNumber(number: number): number {
  if (!Number.isInteger(number) || number < 1 || number > MOST_VERSIONS_EVER) throw new NotAllowed();
  return number;
}
