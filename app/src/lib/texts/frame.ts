/** What the frame around every page says. */
export const frameTexts = {
  main: 'Main',
  home: 'My projects',
  classes: 'Classes',
  review: 'Review',
  queue: 'Queue',
  printRoom: 'Print room',
  signOut: 'Sign out',
  toStart: 'Back to the start',
  keys: 'Keys',
} as const;
