import { and, desc, eq, max } from 'drizzle-orm';
import type { Design } from '@kelbrin/core/design';
import { maySeeProject, NotAllowed, ownProject, type Person } from '../platform/auth/access.ts';
import { CannotNow } from '../platform/basics/cannotNow.ts';
import type { Database } from '../platform/db/database.ts';
import { projects, versions } from '../platform/db/schema/index.ts';

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

/** Adds a version of a project as it is saved; the caller holds the project's row. */
export async function addVersion(
  db: Writer,
  project: { readonly id: string; readonly design: Design },
  name: string,
): Promise<VersionLine> {
  const [{ last }] = await db
    .select({ last: max(versions.number) })
    .from(versions)
    .where(eq(versions.projectId, project.id));
  const [added] = await db
    .insert(versions)
    .values({ projectId: project.id, number: (last ?? 0) + 1, name, design: project.design })
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
    if (kept >= MOST_VERSIONS) throw new CannotNow(`A project keeps at most ${MOST_VERSIONS} versions.`);
    return addVersion(tx, project, name.trim().slice(0, 60) || `Version ${kept + 1}`);
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
  if (!Number.isInteger(number) || number < 1 || number > MOST_VERSIONS_EVER) throw new NotAllowed();
  if (!(await maySeeProject(db, person, projectId))) throw new NotAllowed();
  const [found] = await db
    .select({ design: versions.design })
    .from(versions)
    .where(and(eq(versions.projectId, projectId), eq(versions.number, number)));
  if (!found) throw new NotAllowed();
  return found.design;
}
