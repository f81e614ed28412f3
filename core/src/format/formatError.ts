/** A file that cannot be used. The message is one sentence that can follow the file's name and a colon. */
export class FormatError extends Error {
  constructor(message: string, options?: ErrorOptions) {
    super(message, options);
    this.name = 'FormatError';
  }
}

/** Notes a sentence about what was passed over or put right while a file was read. */
export type Note = (words: string) => void;
