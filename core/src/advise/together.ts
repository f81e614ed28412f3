import { say } from '../words/index.ts';
import { compared } from './compared.ts';
import { failingFindings } from './failingFindings.ts';
import { ranked, type Remedy, type RemedyKind, type Trouble } from './remedy.ts';
import { singleRemedies, type SearchBounds } from './single.ts';

/** So many changes are put together at most. */
const MOST_CHANGES = 4;
/** What a search for each further change may take. */
const BOUNDS: SearchBounds = { tries: 28, enough: 1 };

/**
 * A set of changes after which nothing fails any more: a first one, and one after the other what mends the rest. Nothing
 * comes of it where something of the rest cannot be mended.
 */
export function* together(
  trouble: Trouble,
  first: Remedy,
  kinds: readonly RemedyKind[],
): Generator<Remedy | undefined> {
  const changes = [first];
  for (;;) {
    const { recipe } = changes.at(-1)!;
    const now = trouble.tried(recipe)!;
    const [failing] = failingFindings(now.inspection);
    if (!failing) {
      const cost = changes.reduce((sum, change) => sum + change.cost, 0);
      const words = changes
        .map((change) => change.words)
        .reduce((all, next) => say('{all}. {next}', { all, next }));
      yield {
        ...first,
        ...compared(trouble.now.inspection, now.inspection),
        words,
        recipe,
        cost,
        failsLeft: 0,
      };
      return;
    }
    if (changes.length === MOST_CHANGES) return;
    const found: Remedy[] = [];
    for (const remedy of singleRemedies({ ...trouble, ...failing, recipe, now }, kinds, BOUNDS)) {
      if (remedy) found.push(remedy);
      yield undefined;
    }
    const [best] = ranked(found);
    if (!best) return;
    changes.push(best);
  }
}
