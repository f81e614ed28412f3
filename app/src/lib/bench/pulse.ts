import type { BenchReport } from '../shared/benchReport.ts';

/** Reports follow each other no closer than this, so that a drag does not flood the server. */
const PAUSE_MS = 400;

/**
 * Tells the lesson view what the bench has to say of itself: at once when that changes, and the latest of several
 * changes that come close together. A report that does not arrive is followed by the next one.
 */
export class Pulse {
  #sent = '';
  #next = '';
  #timer: ReturnType<typeof setTimeout> | undefined;
  readonly #send: (body: string) => Promise<unknown>;

  constructor(send: (body: string) => Promise<unknown>) {
    this.#send = send;
  }

  /** Says how things stand now. */
  beat(report: BenchReport): void {
    this.#next = JSON.stringify(report);
    if (this.#timer === undefined) this.#tell();
  }

  close(): void {
    clearTimeout(this.#timer);
  }

  #tell(): void {
    this.#timer = undefined;
    if (this.#next === this.#sent) return;
    const body = (this.#sent = this.#next);
    this.#send(body).catch(() => {
      if (this.#sent === body) this.#sent = '';
    });
    this.#timer = setTimeout(() => this.#tell(), PAUSE_MS);
  }
}
