import { CannotNow } from '../platform/basics/cannotNow.ts';

/** What is said to whoever decides on a hand-in, or writes on it, that has left the stack meanwhile. */
export const notWaiting = () =>
  new CannotNow(
    'This hand-in is not waiting for a decision any more. Somebody decided it, or the student took it back: go to the next one.',
  );
