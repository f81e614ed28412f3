import { said, say } from '@kelbrin/core/words';

/** What is said at a field for a number. */
export const fieldTexts = said({
  notKnown: 'not known',
  howToChange: (label: string) => say('{label}: type, drag sideways, or use the arrow keys', { label }),
} as const);
