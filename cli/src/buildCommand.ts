import { writeFile } from 'node:fs/promises';
import { basename } from 'node:path';
import { parseRecipe } from '@kelbrin/core/recipe';
import { writeStep, writeStl, writeThreeMf } from '@kelbrin/core/format';
import { evaluate } from '@kelbrin/core/solid';
import { readJson } from './files.ts';
import { Unusable, type ExitCode, type Output } from './outcome.ts';
import { say } from '@kelbrin/core/words';
import { workshop } from './workshop.ts';

/** Builds the part of a recipe file and writes it as 3MF, STL or STEP, by the ending of the output's name. */
export async function buildCommand(recipePath: string, outPath: string, output: Output): Promise<ExitCode> {
  const ending = /\.(3mf|stl|step)$/i.exec(outPath)?.[1].toLowerCase();
  if (!ending) throw new Unusable(say('{outPath}: the name must end in .3mf, .stl or .step.', { outPath }));
  const parsed = parseRecipe(await readJson(recipePath));
  if (!parsed.ok) throw new Unusable(`${recipePath}: ${parsed.problem.message}`);
  const built = evaluate(parsed.recipe, await workshop());
  if (!built.ok) throw new Unusable(`${recipePath}: ${built.problem.message}`);
  if (built.mesh.triangles.length === 0)
    throw new Unusable(say('{recipePath}: the recipe makes nothing yet.', { recipePath }));
  const title = basename(recipePath).replace(/\.json$/i, '');
  try {
    await writeFile(
      outPath,
      ending === 'stl'
        ? writeStl(built.mesh)
        : ending === 'step'
          ? writeStep([{ mesh: built.mesh, name: title }], { name: title, at: new Date() })
          : writeThreeMf(built.mesh, { title, recipe: JSON.stringify(parsed.recipe) }),
    );
  } catch (error) {
    throw new Unusable(
      say('{outPath}: the file cannot be written: {message}.', {
        outPath,
        message: (error as Error).message,
      }),
      {
        cause: error,
      },
    );
  }
  output.out(
    say('{outPath}: {cm3} cm³ of {count} steps', {
      outPath,
      cm3: (built.volumeMm3 / 1000).toFixed(2),
      count: parsed.recipe.steps.length,
    }),
  );
  return 0;
}
