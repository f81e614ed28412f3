/**
 * The words of a text, one after the other, in a single pass: what somebody sent is never given to a pattern that can
 * backtrack. White space is everything up to U+0020.
 */
export class Tokens {
  /** The line on which the next word will be looked for, from 1. */
  line = 1;
  readonly #text: string;
  #at = 0;

  constructor(text: string) {
    this.#text = text;
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
      if (code > SPACE) return this.#word();
    }
    return undefined;
  }

  /** Passes over the rest of the line. */
  skipLine(): void {
    const end = this.#text.indexOf('\n', this.#at);
    this.#at = end < 0 ? this.#text.length : end;
  }

  #word(): string {
    const start = this.#at;
    while (this.#at < this.#text.length && this.#text.charCodeAt(this.#at) > SPACE) this.#at++;
    return this.#text.slice(start, this.#at);
  }
}

const LINE_FEED = 10;
const SPACE = 32;
