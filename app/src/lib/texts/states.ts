import { said } from '@kelbrin/core/words';
import type { Verdict } from '@kelbrin/core/inspect';
import type { ProjectState } from '../server/projects/projects';

/** How far a project is, in the words that are used for it everywhere. */
export const stateWords: Record<ProjectState, string> = said({
  designing: 'designing',
  checking: 'being checked',
  waiting: 'handed in',
  sent_back: 'sent back',
  approved: 'approved, in the queue',
  printing: 'printing',
  printed: 'printed',
});

/** What a check says of a part, in a word. */
/** What a brief asks and the part has not yet, as who designs it reads it. */
export const standingWords = said({ toDo: 'to do' });

export const verdictWords: Record<Verdict, string> = said({ pass: 'pass', warn: 'warn', fail: 'fail' });
