import { eq } from 'drizzle-orm';
import type { Recipe } from '@kelbrin/core/recipe';
import { compute } from '../platform/compute/compute.ts';
import { ofStaff, type Owner } from '../platform/compute/fairQueue.ts';
import type { Database } from '../platform/db/database.ts';
import { pictures } from '../platform/db/schema/projects.ts';
import { filesFor } from './projectFiles.ts';
import { sha256 } from '../platform/basics/sha256.ts';

/** Goes up when pictures are drawn differently, so that old ones are drawn anew. */
const DRAWING = 2;

/** A picture that can be had: one of another hash looks different. */
export interface Picture {
  readonly hash: string;
  /** The PNG file: as it was kept, or drawn now. */
  png(): Promise<Uint8Array>;
}

/**
 * The picture of a recipe as a PNG file, drawn in a filament's colour; kept for the next time. An example belongs to no
 * project and imports no files. Drawing it counts as a task of `owner`.
 */
export async function pictureOf(
  db: Database,
  projectId: string | undefined,
  recipe: Recipe,
  colour: string,
  owner: Owner = ofStaff,
): Promise<Picture> {
  const files = projectId === undefined ? new Map() : await filesFor(db, projectId, recipe);
  const hash = sha256(JSON.stringify([DRAWING, recipe, [...files.keys()], colour]));
  return {
    hash,
    async png() {
      const [kept] = await db.select({ png: pictures.png }).from(pictures).where(eq(pictures.hash, hash));
      if (kept) return kept.png;
      const { png } = await compute().run<'picture'>({ kind: 'picture', recipe, files, colour }, owner);
      await db.insert(pictures).values({ hash, projectId, png }).onConflictDoNothing();
      return png;
    },
  };
}
