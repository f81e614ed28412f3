/** What a command ends with; 2 outranks 1, and 1 outranks 0. */
export type ExitCode = 0 | 1 | 2;

/** Something the command cannot use, in one sentence for the person who called it. */
export class Unusable extends Error {
  constructor(message: string, options?: ErrorOptions) {
    super(message, options);
    this.name = 'Unusable';
  }
}

/** Where a command writes, so that tests can listen. */
export interface Output {
  out(line: string): void;
  err(line: string): void;
  /** Hears how far a long piece of work has come, and an empty line when it is done. */
  progress?(words: string): void;
}
