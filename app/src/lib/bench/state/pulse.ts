import type { BenchReport } from '../../shared/benchReport.ts';

/** Reports follow each other no closer than this, so that a drag does not flood the server. */
const PAUSE_MS = 400;

/**
 * Tells the lesson view what the bench has to say of itself: at once when that changes, and the latest of several
 * changes that come close together. A report that does not arrive is followed by the next one.
 */
export class Pulse {
  /** The latest report, and the last that was sent, as text to compare. */
  #next: BenchReport | undefined;
  #sent = '';
  #timer: ReturnType<typeof setTimeout> | undefined;
  readonly #send: (report: BenchReport) => Promise<unknown>;

  constructor(send: (report: BenchReport) => Promise<unknown>) {
    this.#send = send;
  }

  /** Says how things stand now. */
  beat(report: BenchReport): void {
    this.#next = report;
    if (this.#timer === undefined) this.#tell();
  }

  close(): void {
    clearTimeout(this.#timer);
  }

  #tell(): void {
    this.#timer = undefined;
    const text = JSON.stringify(this.#next);
    if (!this.#next || text === this.#sent) return;
    this.#sent = text;
    this.#send(this.#next).catch(() => {
      if (this.#sent === text) this.#sent = '';
    });
    this.#timer = setTimeout(() => this.#tell(), PAUSE_MS);
  }
}
