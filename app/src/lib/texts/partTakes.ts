import { said, say } from '@kelbrin/core/words';

/** Words for what the print of a part takes. */
export const partTakesTexts = said({
  grams: 'g',
  gramsOf: (grams: number) => say('{grams} g', { grams: grams.toFixed(1) }),
  supports: (minutes: string, grams: number) =>
    say('of it supports: {minutes}, {grams} g', { minutes, grams: grams.toFixed(1) }),
  together: (copies: number) => say('{copies} copies together:', { copies }),
} as const);
