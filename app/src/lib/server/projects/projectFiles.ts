import { and, eq, inArray, notInArray } from 'drizzle-orm';
import type { FileUnit } from '@kelbrin/core/mesh';
import { filesIn, type Recipe } from '@kelbrin/core/recipe';
import { maySeeProject, NotAllowed, ownProject, type Person } from '../platform/auth/access.ts';
import type { Database } from '../platform/db/database.ts';
import { handIns, projectFiles, projects, versions } from '../platform/db/schema/index.ts';
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

/** Throws unless a project can take another file. Where it is full, files that nothing uses any more make room. */
async function demandRoom(db: Database, projectId: string): Promise<void> {
  const count = () => db.$count(projectFiles, eq(projectFiles.projectId, projectId));
  if ((await count()) >= MOST_FILES) await forgetUnusedFiles(db, projectId);
  if ((await count()) >= MOST_FILES)
    throw new CannotNow(
      'A project can hold {most} files, and this one does already: delete a step that imports a file first.',
      { most: MOST_FILES },
    );
}

/** Deletes the files of a project that neither the project nor a version or a hand-in of it uses. */
async function forgetUnusedFiles(db: Database, projectId: string): Promise<void> {
  const [now, kept, handedIn] = await Promise.all([
    db.select({ design: projects.design }).from(projects).where(eq(projects.id, projectId)),
    db.select({ design: versions.design }).from(versions).where(eq(versions.projectId, projectId)),
    db.select({ recipe: handIns.recipe }).from(handIns).where(eq(handIns.projectId, projectId)),
  ]);
  const recipes = [
    ...[...now, ...kept].flatMap(({ design }) => design.parts.map(({ recipe }) => recipe)),
    ...handedIn.map(({ recipe }) => recipe),
  ];
  const used = recipes.flatMap(({ steps }) => filesIn(steps));
  await db
    .delete(projectFiles)
    .where(and(eq(projectFiles.projectId, projectId), notInArray(projectFiles.hash, used)));
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
