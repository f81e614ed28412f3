import { basename } from 'node:path';
import { writeStep, writeStl, writeThreeMf } from '@kelbrin/core/format';
import { say } from '@kelbrin/core/words';
import { builtRecipe } from './builtRecipe.ts';
import { writeResult } from './files.ts';
import { Unusable, type ExitCode, type Output } from './outcome.ts';

/** Builds the part of a recipe file and writes it as 3MF, STL or STEP, by the ending of the output's name. */
export async function buildCommand(recipePath: string, outPath: string, output: Output): Promise<ExitCode> {
  const ending = /\.(3mf|stl|step)$/i.exec(outPath)?.[1].toLowerCase();
  if (!ending) throw new Unusable(say('{outPath}: the name must end in .3mf, .stl or .step.', { outPath }));
  const { recipe, built } = await builtRecipe(recipePath);
  const title = basename(recipePath).replace(/\.json$/i, '');
  await writeResult(
    outPath,
    ending === 'stl'
      ? writeStl(built.mesh)
      : ending === 'step'
        ? writeStep([{ mesh: built.mesh, name: title }], { name: title, at: new Date() })
        : writeThreeMf(built.mesh, { title, recipe: JSON.stringify(recipe) }),
  );
  output.out(
    say('{outPath}: {cm3} cm³ of {count} steps', {
      outPath,
      cm3: (built.volumeMm3 / 1000).toFixed(2),
      count: recipe.steps.length,
    }),
  );
  return 0;
}
