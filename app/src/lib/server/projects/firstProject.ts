import { count } from 'drizzle-orm';
import { designOf, recipeOf, type Design } from '@kelbrin/core/design';
import { sameRecipe, type Recipe } from '@kelbrin/core/recipe';
import { worksOn } from '../platform/auth/team.ts';
import type { Database } from '../platform/db/database.ts';
import { projects } from '../platform/db/schema/index.ts';

/** Whether a project is the only one that somebody works on, and is as it began: they have never been at a bench. */
export async function isFirstProject(
  db: Database,
  personId: string,
  { design, starter }: { readonly design: Design; readonly starter: Recipe | null },
): Promise<boolean> {
  if (!sameRecipe(recipeOf(design), recipeOf(designOf(starter ?? undefined)))) return false;
  const [{ all }] = await db.select({ all: count() }).from(projects).where(worksOn(db, personId));
  return all === 1;
}
