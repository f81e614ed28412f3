/** What the page of one's own sign-in says. */
export const accountTexts = {
  title: 'Your sign-in',
  change: { student: 'Change your PIN', staff: 'Change your password' },
  before: { student: 'Your PIN now', staff: 'Your password now' },
  next: { student: 'A new PIN of six digits', staff: 'A new password' },
  save: 'Change it',
  changed: 'It is changed. Wherever else you were signed in, you are signed out.',
  where: 'Where you are signed in',
  here: 'here',
  since: (when: string) => `since ${when}`,
  used: (when: string) => `last used ${when}`,
  end: 'Sign out there',
  endNamed: (device: string) => `Sign out on ${device}`,
  endOthers: 'Sign out everywhere else',
  unknown: 'an unknown browser',
} as const;
