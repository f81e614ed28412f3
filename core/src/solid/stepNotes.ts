import { isUnwritten, PLACEHOLDER, type Step } from '../recipe/index.ts';
import { say } from '../words/index.ts';

/** What was found out about a step once the whole part was built. */
export interface StepFacts {
  readonly changed: boolean;
  readonly effect: 'add' | 'cut' | 'keep' | 'whole';
  /** Whether a later step filled what it cut open. */
  readonly filled: boolean;
  /** Whether what it made touches the rest of the part nowhere. */
  readonly floats: boolean;
}

/** What a step's sentence has to say about what it came to. */
export function notesOn(step: Step, { changed, effect, filled, floats }: StepFacts): string[] {
  const notes: string[] = [];
  // Edges say themselves why there are none.
  if (!changed && step.kind !== 'edges') notes.push(nothingChanged(step, effect));
  if (filled) notes.push(say('A later step fills this opening again: move that step before it.'));
  if (isUnwritten(step))
    notes.push(
      say('“{placeholder}” stands here until you write words of your own.', { placeholder: PLACEHOLDER }),
    );
  if (floats) notes.push(say('This touches nothing: it would come off the printer as a piece of its own.'));
  return notes;
}

function nothingChanged(step: Step, effect: StepFacts['effect']): string {
  if (step.kind === 'letters' && effect === 'add') {
    return say('These letters are level with what they stand on, so nothing of them shows.');
  }
  switch (effect) {
    case 'cut':
      return say('This cuts nothing, because it lies beside the part. Move it over the part.');
    case 'keep':
      return say('This takes nothing away: all of the part lies inside it.');
    default:
      return say('This adds nothing, because there is material already. Make it larger, or delete it.');
  }
}
