import { parseRecipe, type Recipe } from '@kelbrin/core/recipe';
import { evaluate, type Evaluated } from '@kelbrin/core/solid';
import { say } from '@kelbrin/core/words';
import { readJson } from './files.ts';
import { Unusable } from './outcome.ts';
import { workshop } from './workshop.ts';

/** The part of a recipe file; throws {@link Unusable} for one that cannot be read or built, or makes nothing. */
export async function builtRecipe(path: string): Promise<{ recipe: Recipe; built: Evaluated }> {
  const parsed = parseRecipe(await readJson(path));
  if (!parsed.ok) throw new Unusable(`${path}: ${parsed.problem.message}`);
  const built = evaluate(parsed.recipe, await workshop());
  if (!built.ok) throw new Unusable(`${path}: ${built.problem.message}`);
  if (built.mesh.triangles.length === 0)
    throw new Unusable(say('{recipePath}: the recipe makes nothing yet.', { recipePath: path }));
  return { recipe: parsed.recipe, built };
}
