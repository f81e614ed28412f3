import { said, say } from '@kelbrin/core/words';

/** Words for what the print of a part takes. */
export const partTakesTexts = said({
  grams: 'g',
  together: (copies: number) => say('{copies} copies together:', { copies }),
} as const);
