import { said } from '@kelbrin/core/words';

/** What stands in a sentence for what is drawn or read from a file. */
export const sentenceTexts = said({
  file: 'file',
  draw: 'draw',
  arrange: 'arrange',
});
