import { said, say } from '@kelbrin/core/words';

/** What the page of one's own sign-in says. */
export const accountTexts = said({
  title: 'Your sign-in',
  change: { student: 'Change your PIN', staff: 'Change your password' },
  before: { student: 'Your PIN now', staff: 'Your password now' },
  next: { student: 'A new PIN of six digits', staff: 'A new password' },
  save: 'Change it',
  changed: 'It is changed. Wherever else you were signed in, you are signed out.',
  where: 'Where you are signed in',
  here: 'here',
  since: (when: string) => say('since {when}', { when }),
  used: (when: string) => say('last used {when}', { when }),
  end: 'Sign out there',
  endNamed: (device: string) => say('Sign out on {device}', { device }),
  endOthers: 'Sign out everywhere else',
  unknown: 'an unknown browser',
} as const);
