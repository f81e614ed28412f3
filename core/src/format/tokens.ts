/**
 * The words of a text, one after the other, in a single pass: what somebody sent is never given to a pattern that can
 * backtrack. White space is everything up to U+0020.
 */
export class Tokens {
  /** The line on which the next word will be looked for, from 1. */
  line = 1;
  readonly #text: string;
  #at = 0;

  readonly #goesOn: boolean;

  /** @param goesOn whether a line that ends with a backslash goes on in the next one */
  constructor(text: string, goesOn = false) {
    this.#text = text;
    this.#goesOn = goesOn;
  }

  /** The next word, on whichever line; undefined at the end. */
  next(): string | undefined {
    for (; this.#at < this.#text.length; this.#at++) {
      const code = this.#text.charCodeAt(this.#at);
      if (code === LINE_FEED) this.line++;
      else if (code > SPACE) return this.#word();
    }
    return undefined;
  }

  /** The next word of this line; undefined at its end, where the reading stays. */
  nextOnLine(): string | undefined {
    for (; this.#at < this.#text.length; this.#at++) {
      const code = this.#text.charCodeAt(this.#at);
      if (code === LINE_FEED) return undefined;
      if (code <= SPACE) continue;
      if (!this.#joinsLines()) return this.#word();
      this.#at = this.#text.indexOf('\n', this.#at);
      this.line++;
    }
    return undefined;
  }

  /** Passes over the rest of the line. */
  skipLine(): void {
    while (this.nextOnLine() !== undefined);
  }

  #word(): string {
    const start = this.#at;
    while (this.#at < this.#text.length && this.#text.charCodeAt(this.#at) > SPACE) {
      if (this.#at > start && this.#joinsLines()) break;
      this.#at++;
    }
    return this.#text.slice(start, this.#at);
  }

  /** Whether a backslash stands here that is the last of its line. */
  #joinsLines(): boolean {
    if (!this.#goesOn || this.#text.charCodeAt(this.#at) !== BACKSLASH) return false;
    const next = this.#text.charCodeAt(this.#at + 1);
    return (
      next === LINE_FEED || (next === CARRIAGE_RETURN && this.#text.charCodeAt(this.#at + 2) === LINE_FEED)
    );
  }
}

const LINE_FEED = 10;
const CARRIAGE_RETURN = 13;
const BACKSLASH = 92;
const SPACE = 32;
