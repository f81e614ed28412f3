import { failingFindings, ranked, remediesFor, Trials, type Remedy } from '@kelbrin/core/advise';
import { parseRecipe } from '@kelbrin/core/recipe';
import { readBriefRules, readJson, readLimits } from './files.ts';
import { Unusable, type ExitCode, type Output } from './outcome.ts';
import { say } from '@kelbrin/core/words';
import { workshop } from './workshop.ts';

/** Lists, for everything that fails in a recipe's part, the changes that mend it; exit 1 if something has none. */
export async function remediesCommand(
  request: {
    readonly recipe: string;
    readonly limits?: string;
    readonly brief?: string;
    readonly json: boolean;
  },
  output: Output,
): Promise<ExitCode> {
  const parsed = parseRecipe(await readJson(request.recipe));
  if (!parsed.ok) throw new Unusable(`${request.recipe}: ${parsed.problem.message}`);
  const limits = await readLimits(request.limits);
  const brief = await readBriefRules(request.brief);
  const trials = new Trials({ workshop: await workshop(), limits, brief });
  try {
    const { recipe } = parsed;
    const now = trials.tried(recipe);
    if (!now)
      throw new Unusable(
        say('{recipe}: the recipe makes nothing that can be inspected.', { recipe: request.recipe }),
      );
    const tried = (other: typeof recipe) => trials.tried(other);
    const failing = failingFindings(now.inspection).map(({ check, finding }) => ({
      check,
      finding,
      remedies: ranked(
        [...remediesFor({ recipe, limits, brief, now, check, finding, tried })].filter(
          (each) => each !== undefined,
        ),
      ),
    }));
    if (failing.length === 0) output.out(say('{recipe}: nothing fails.', { recipe: request.recipe }));
    for (const { check, finding, remedies } of failing) {
      output.out(
        request.json
          ? JSON.stringify({ file: request.recipe, check: check.id, message: finding.message, remedies })
          : [
              `${check.id}: ${finding.message}`,
              ...(remedies.length > 0 ? remedies.map(line) : [say('  no change was found that mends it')]),
            ].join('\n'),
      );
    }
    return failing.every(({ remedies }) => remedies.length > 0) ? 0 : 1;
  } finally {
    trials.close();
  }
}

function line({ words, better, worse }: Remedy): string {
  const sides = [...better.map((each) => `+ ${each}`), ...worse.map((each) => `− ${each}`)];
  return `  ${words}.${sides.length > 0 ? ` (${sides.join('; ')})` : ''}`;
}
