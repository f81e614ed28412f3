import { and, eq, inArray } from 'drizzle-orm';
import type { FileUnit } from '@kelbrin/core/format';
import { filesIn, type Recipe } from '@kelbrin/core/recipe';
import { maySeeProject, NotAllowed, ownProject, type Person } from '../platform/auth/access.ts';
import type { Database } from '../platform/db/database.ts';
import { projectFiles, projects } from '../platform/db/schema/index.ts';
import { CannotNow } from '../platform/basics/cannotNow.ts';
import { compute } from '../platform/compute/compute.ts';
import { ofStudent } from '../platform/compute/fairQueue.ts';
import { readSent } from '../platform/compute/readSent.ts';
import type { SentFile } from '../platform/sent/sentBytes.ts';
import { sha256 } from '../platform/basics/sha256.ts';

const MOST_FILES = 20;

/** What a file was found to be when it was taken in. */
export interface TakenFile {
  readonly hash: string;
  readonly unit: FileUnit;
  /** What had to be mended or guessed, a sentence each. */
  readonly notes: readonly string[];
}

/**
 * Takes a mesh into a student's own project, mended where that is safe. Throws {@link CannotNow} with one sentence for a
 * file that is no solid.
 */
export async function addFile(
  db: Database,
  person: Person,
  projectId: string,
  file: SentFile,
): Promise<TakenFile> {
  const { project } = await ownProject(db, person, projectId);
  await demandRoom(db, project.id);
  const task = { kind: 'readMesh', sent: file.sent } as const;
  const reading = compute().run<'readMesh'>(task, ofStudent(person.id));
  const { stl, unit, notes } = await readSent(file.name, reading);
  const hash = sha256(stl);
  const isThere = await db.$count(
    projectFiles,
    and(eq(projectFiles.projectId, project.id), eq(projectFiles.hash, hash)),
  );
  if (isThere) return { hash, unit, notes };
  await db.transaction(async (tx) => {
    // Two files that come at once are counted one after the other.
    await tx
      .select({ id: projects.id })
      .from(projects)
      .where(eq(projects.id, project.id))
      .for('no key update');
    await demandRoom(tx, project.id);
    await tx.insert(projectFiles).values({ projectId: project.id, hash, stl }).onConflictDoNothing();
  });
  return { hash, unit, notes };
}

/** Throws unless a project can take another file. */
async function demandRoom(db: Database, projectId: string): Promise<void> {
  const files = await db.$count(projectFiles, eq(projectFiles.projectId, projectId));
  if (files >= MOST_FILES)
    throw new CannotNow(`A project can hold ${MOST_FILES} files; this one does already.`);
}

/** A file of a project that a person may see. */
export async function fileOf(
  db: Database,
  person: Person,
  projectId: string,
  hash: string,
): Promise<Uint8Array> {
  if (!(await maySeeProject(db, person, projectId))) throw new NotAllowed();
  const [found] = await db
    .select({ stl: projectFiles.stl })
    .from(projectFiles)
    .where(and(eq(projectFiles.projectId, projectId), eq(projectFiles.hash, hash)));
  if (!found) throw new NotAllowed();
  return found.stl;
}

/** The files that a recipe of a project imports, by the names under which its steps know them. */
export async function filesFor(
  db: Database,
  projectId: string,
  recipe: Recipe,
): Promise<ReadonlyMap<string, Uint8Array>> {
  const wanted = filesIn(recipe.steps);
  if (wanted.length === 0) return new Map();
  const found = await db
    .select({ hash: projectFiles.hash, stl: projectFiles.stl })
    .from(projectFiles)
    .where(and(eq(projectFiles.projectId, projectId), inArray(projectFiles.hash, wanted)));
  return new Map(found.map(({ hash, stl }) => [hash, stl]));
}
