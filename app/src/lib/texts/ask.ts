import { said } from '@kelbrin/core/words';

/** What is said where something is asked first. */
export const askTexts = said({
  no: 'Leave it as it is',
} as const);
