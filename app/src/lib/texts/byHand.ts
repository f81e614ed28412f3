import { said, say } from '@kelbrin/core/words';

/** What is said of prints on printers that nothing is connected to. */
export const byHandTexts = said({
  onCard: (card: string) => say('The file is on the card “{card}”:', { card }),
  download: 'Download the file and put it on a memory card',
  carry: (name: string) => say('Put the card into {name} and start the file there.', { name }),
  begun: 'It has begun',
  by: (name: string) => say('Nothing is connected to {name}, so this is the estimate.', { name }),
  due: (time: string) =>
    say('By the estimate it was done at {time}. Look at the printer, and say how it went.', { time }),
  done: 'It is done',
  failed: 'It failed',
  failedTitle: (name: string) => say('What went wrong on {name}?', { name }),
  why: 'In a few words, for everyone who looks at this print',
  failedWhat: 'Stop it at the printer if it still prints. The batch is kept and can be started again.',
  sayFailed: 'End the print',
  back: 'Back',
  loaded: 'It is on the printer now',
} as const);
