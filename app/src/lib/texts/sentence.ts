import { said } from '@kelbrin/core/words';

/** What stands in a sentence for what is drawn or read from a file. */
export const sentenceTexts = said({
  noFile: 'a file to be chosen',
  file: 'file',
  draw: 'draw',
});
