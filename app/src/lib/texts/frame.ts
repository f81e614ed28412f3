import { said } from '@kelbrin/core/words';

/** What the frame around every page says. */
export const frameTexts = said({
  main: 'Main',
  home: 'My projects',
  classes: 'Classes',
  review: 'Review',
  queue: 'Queue',
  printRoom: 'Print room',
  account: 'Your sign-in',
  signOut: 'Sign out',
  toStart: 'Back to the start',
  keys: 'Keyboard keys',
  noPage: 'There is no such page, or it is not yours.',
  notReached: 'The server could not be reached: try again in a moment.',
  stillHere: 'What you typed is still here.',
  close: 'Close',
  wentWrong: 'Something went wrong. What you had saved is kept: load the page again.',
} as const);
