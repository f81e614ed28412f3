import { said, say } from '@kelbrin/core/words';

/** What the page says on which a new Kelbrin is begun. */
export const beginTexts = said({
  title: 'Begin',
  what: 'This Kelbrin is new. Its first teacher makes classes, adds the printers, and asks others to help.',
  code: 'Code',
  codeWhy: 'You find it in the window where the server was started.',
  name: 'Your name, as students say it',
  email: 'E-mail',
  password: 'Password',
  passwordWhy: (letters: number) => say('At least {letters} letters.', { letters }),
  begin: 'Begin',
} as const);
