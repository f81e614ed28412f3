import { measureWords, type Measure } from './measures.ts';
import type { Recipe } from './recipe.ts';
import { fieldAt, plainSentence, type SentenceContext, type Token } from './sentence.ts';
import { sentenceOf, type Step } from './steps/index.ts';
import { say } from '../words/index.ts';

/** One thing that is different in a later recipe, in words, and the step it is about while that is still there. */
export interface Change {
  readonly stepId?: string;
  readonly words: string;
}

/**
 * What was changed from one recipe to another, in words: measures first, then steps in the order of the later recipe,
 * then those that are gone. Steps are the same if their ids are.
 *
 * @example
 * differencesOf(before, after) // [{ stepId: 's2', words: 'Step 2: diameter Ø 1.6 → 4 mm' }]
 */
export function differencesOf(before: Recipe, after: Recipe): Change[] {
  const idsBefore = before.steps.map(({ id }) => id);
  const moved = movedIds(
    before.steps.map(({ id }) => id),
    after.steps.map(({ id }) => id),
  );
  return [
    ...measureDifferences(before.measures, after.measures),
    ...after.steps.flatMap((step, index): Change[] => {
      const at = idsBefore.indexOf(step.id);
      const to: SentenceContext = { recipe: after, index };
      const change = (words: string): Change => ({
        stepId: step.id,
        words: say('Step {index}{words}', { index: index + 1, words }),
      });
      if (at < 0)
        return [change(say(' is new: {sentence}', { sentence: plainSentence(sentenceOf(step, to)) }))];
      return [
        ...(moved.has(step.id) ? [change(say(' was step {number}', { number: at + 1 }))] : []),
        ...stepDifferences(before.steps[at], { recipe: before, index: at }, step, to).map((words) =>
          change(words),
        ),
      ];
    }),
    ...before.steps.flatMap((step, index) =>
      after.steps.some(({ id }) => id === step.id)
        ? []
        : {
            words: say('Gone: step {number}, {sentence}', {
              number: index + 1,
              sentence: plainSentence(sentenceOf(step, { recipe: before, index })),
            }),
          },
    ),
  ];
}

/** What is different in measures of the same name; one that is called otherwise is another one. */
export function measureDifferences(
  before: readonly Measure[],
  after: readonly Measure[],
  kind = 'measure',
): Change[] {
  return [
    ...after.flatMap((measure): Change[] => {
      const was = before.find(({ name }) => name === measure.name);
      if (!was)
        return [
          {
            words: say('New {kind}: {name} = {value}', {
              kind,
              name: measure.name,
              value: measureWords(measure),
            }),
          },
        ];
      if (measureWords(was) === measureWords(measure)) return [];
      return [
        {
          words: say('The {kind} {name}: {before} → {after}', {
            kind,
            name: measure.name,
            before: measureWords(was),
            after: measureWords(measure),
          }),
        },
      ];
    }),
    ...before
      .filter(({ name }) => !after.some((other) => other.name === name))
      .map(({ name }) => ({ words: say('Gone: the {kind} {name}', { kind, name }) })),
  ];
}

/** What is different in one step; each piece goes on after "Step 2". */
function stepDifferences(before: Step, from: SentenceContext, after: Step, to: SentenceContext): string[] {
  const words: string[] = [];
  if (before.name !== after.name) {
    words.push(
      after.name === undefined
        ? say(' is not called “{name}” any more', { name: before.name! })
        : say(' is called “{name}”', { name: after.name }),
    );
  }
  if (before.off !== after.off)
    words.push(after.off ? say(' is switched off') : say(' is switched on again'));
  const rest = (step: Step) => JSON.stringify({ ...step, name: undefined, off: undefined });
  if (rest(before) === rest(after)) return words;

  const old = fieldsOf(sentenceOf(before, from));
  const now = fieldsOf(sentenceOf(after, to));
  const isSameSentence = old.length === now.length && now.every((token, i) => keyOf(token) === keyOf(old[i]));
  const changed = now.flatMap((token, i) =>
    isSameSentence ? fieldDifference(before, old[i], after, token) : [],
  );
  if (changed.length > 0) words.push(`: ${changed.join('; ')}`);
  // Another clause, another shape: single fields no longer answer to each other, so the whole sentence is read.
  else
    words.push(
      isSameSentence
        ? say(' was changed')
        : say(' now reads: {sentence}', { sentence: plainSentence(sentenceOf(after, to)) }),
    );
  return words;
}

type Field = Exclude<Token, { type: 'text' | 'drop' }>;

const fieldsOf = (tokens: readonly Token[]) =>
  tokens.filter((token): token is Field => token.type !== 'text' && token.type !== 'drop');
const keyOf = ({ type, path }: Field) => `${type} ${path.join(' ')}`;

/** "width 60 → 70 mm", or nothing if the field says the same. */
function fieldDifference(before: Step, old: Field, after: Step, now: Field): string[] {
  if (JSON.stringify(fieldAt(before, old.path)) === JSON.stringify(fieldAt(after, now.path))) return [];
  // The pieces that are put together have fields of their own, which speak for themselves.
  if (now.type === 'drawing' && now.kind === 'combined') return [];
  if (now.type === 'drawing')
    return [now.kind === 'svg' ? say('another drawing') : say('the outline is drawn differently')];
  const was = plainSentence([old]);
  const is = plainSentence([now]);
  // What a choice stands for may hold other fields, which speak for themselves.
  if (was === is) return [];
  // Words say what they are by themselves; a number needs its name.
  if (now.type !== 'number') return [`${was} → ${is}`];
  const unit = ` ${now.unit}`;
  const isShort = now.unit !== '' && was.endsWith(unit) && is.endsWith(unit);
  return [`${now.label} ${isShort ? was.slice(0, -unit.length) : was} → ${is}`];
}

/** The fewest steps that must have been moved so that those which both recipes have changed their order. */
export function movedIds(before: readonly string[], after: readonly string[]): Set<string> {
  const rank = new Map(before.map((id, i) => [id, i]));
  const common = after.filter((id) => rank.has(id));
  if (common.every((id, i) => i === 0 || rank.get(common[i - 1])! < rank.get(id)!)) return new Set();
  // The longest run of steps, not necessarily neighbours, that kept its order stayed; the others moved.
  const longest: string[][] = [];
  for (const [i, id] of common.entries()) {
    const best = longest
      .slice(0, i)
      .filter((run) => rank.get(run.at(-1)!)! < rank.get(id)!)
      .reduce<string[]>((most, run) => (run.length > most.length ? run : most), []);
    longest.push([...best, id]);
  }
  const stayed = longest.reduce<string[]>((most, run) => (run.length > most.length ? run : most), []);
  return new Set(common.filter((id) => !stayed.includes(id)));
}
