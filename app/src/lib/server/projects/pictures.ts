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

/** How wide a picture is, pixels: on a card, or in a row of a list, of which there may be hundreds. */
const WIDTH_PX = { card: 320, row: 192 };

/** The colour of its filament, and where the picture is to be seen. */
export interface Look {
  readonly colour: string;
  readonly size?: keyof typeof WIDTH_PX;
}

/** A picture that can be had: one of another hash looks different. */
export interface Picture {
  readonly hash: string;
  /** The PNG file: as it was kept, or drawn now. */
  png(): Promise<Uint8Array>;
}

/**
 * The picture of a recipe as a PNG file; kept for the next time. An example belongs to no project and imports no files.
 * Drawing it counts as a task of `owner`.
 */
export async function pictureOf(
  db: Database,
  projectId: string | undefined,
  recipe: Recipe,
  { colour, size = 'card' }: Look,
  owner: Owner = ofStaff,
): Promise<Picture> {
  const files = projectId === undefined ? new Map() : await filesFor(db, projectId, recipe);
  // Those on cards are kept by what they were kept by when there were no others.
  const looks = size === 'card' ? [colour] : [colour, size];
  const hash = sha256(JSON.stringify([DRAWING, recipe, [...files.keys()], ...looks]));
  return {
    hash,
    async png() {
      const [kept] = await db.select({ png: pictures.png }).from(pictures).where(eq(pictures.hash, hash));
      if (kept) return kept.png;
      const task = { kind: 'picture', recipe, files, colour, widthPx: WIDTH_PX[size] } as const;
      const { png } = await compute().run<'picture'>(task, owner);
      await db.insert(pictures).values({ hash, projectId, png }).onConflictDoNothing();
      return png;
    },
  };
}
