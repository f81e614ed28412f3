import { said, say } from '@kelbrin/core/words';

/** What stands beside the recipe where a step is added. */
export const offerTexts = said({
  addStep: 'Add a step',
  addStepHow: 'Add a step (A)',
  search: 'What do you want to do? hole, name, round, lift …',
  searchLabel: 'Find a step by a word',
  nothingFound: (query: string) => say('Nothing is called “{query}”. Try another word for it.', { query }),
  fromExample: 'Begin from an example',
  close: 'Close',
} as const);
