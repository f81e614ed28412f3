import { eq } from 'drizzle-orm';
import type { Recipe } from '@kelbrin/core/recipe';
import { compute } from './compute/pool.ts';
import type { Database } from './db/database.ts';
import { pictures } from './db/schema/projects.ts';
import { sha256 } from './sha256.ts';

/** Goes up when pictures are drawn differently, so that old ones are drawn anew. */
const DRAWING = 2;

/** The picture of a recipe's part as a PNG file, drawn in a filament's colour; kept for the next time. */
export async function pictureOf(db: Database, recipe: Recipe, colour: string): Promise<Uint8Array> {
  const hash = sha256(JSON.stringify([DRAWING, recipe, colour]));
  const [kept] = await db.select().from(pictures).where(eq(pictures.hash, hash));
  if (kept) return kept.png;
  const { png } = await compute().run<'picture'>({ kind: 'picture', recipe, colour });
  await db.insert(pictures).values({ hash, png }).onConflictDoNothing();
  return png;
}
