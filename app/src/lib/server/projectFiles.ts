import { and, count, eq, inArray } from 'drizzle-orm';
import { FormatError, guessUnit, readAndMend, writeStl, type FileUnit } from '@kelbrin/core/format';
import { boundsOf, sizeOf, triangleCount } from '@kelbrin/core/mesh';
import { filesIn, type Recipe } from '@kelbrin/core/recipe';
import { maySeeProject, NotAllowed, ownProject, type Person } from './auth/access.ts';
import type { Database } from './db/database.ts';
import { projectFiles } from './db/schema/index.ts';
import { CannotNow } from './cannotNow.ts';
import { sha256 } from './sha256.ts';

export const LARGEST_FILE_BYTES = 20_000_000;
const MOST_TRIANGLES = 200_000;
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
 * file that is too large or no solid.
 */
export async function addFile(
  db: Database,
  person: Person,
  projectId: string,
  file: { name: string; bytes: Uint8Array },
): Promise<TakenFile> {
  const { project } = await ownProject(db, person, projectId);
  if (file.bytes.length > LARGEST_FILE_BYTES) throw new CannotNow(`${file.name} is larger than 20 MB.`);
  const [{ files }] = await db
    .select({ files: count() })
    .from(projectFiles)
    .where(eq(projectFiles.projectId, project.id));
  if (files >= MOST_FILES)
    throw new CannotNow(`A project can hold ${MOST_FILES} files; this one does already.`);
  try {
    const { mesh, mended } = readAndMend(file.bytes);
    if (triangleCount(mesh) > MOST_TRIANGLES) {
      throw new CannotNow(`${file.name} has more than ${MOST_TRIANGLES.toLocaleString('en-GB')} triangles.`);
    }
    const size = sizeOf(boundsOf(mesh));
    const unit = guessUnit(Math.max(...size));
    const guessed =
      unit === 'mm' ? [] : [`${size.map((mm) => mm.toPrecision(3)).join(' × ')} looked like ${unit}.`];
    const stl = writeStl(mesh);
    const hash = sha256(stl);
    await db.insert(projectFiles).values({ projectId: project.id, hash, stl }).onConflictDoNothing();
    return { hash, unit, notes: [...mended, ...guessed] };
  } catch (problem) {
    if (problem instanceof FormatError) throw new CannotNow(`${file.name}: ${problem.message}.`);
    throw problem;
  }
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
