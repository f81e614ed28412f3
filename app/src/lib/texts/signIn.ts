import { said } from '@kelbrin/core/words';

/** What the page for signing in says. */
export const signInTexts = said({
  what: 'Design it, see that it prints, hand it in.',
  signIn: 'Sign in',
  students: 'Students',
  classCode: 'Class code',
  name: 'Name',
  pin: 'PIN',
  staff: 'Teachers and helpers',
  email: 'E-mail',
  password: 'Password',
} as const);
