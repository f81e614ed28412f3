import { placesOf } from '../../../shared/rolls.ts';
import type { Database } from '../../platform/db/database.ts';
import type { runs } from '../../platform/db/schema/index.ts';
import { gcodeOfBatch, type BatchCode } from '../batches/gcode.ts';

type Run = Pick<typeof runs.$inferSelect, 'id' | 'batchId' | 'printerId' | 'rolls'>;

/** How far the batch of a run is: the share of its work, its G-code, or why there is none. */
export type Prepared = { readonly share: number } | BatchCode | { readonly problem: unknown };

/**
 * Slices the batch of a printer's run beside the rounds of its keeper. The printer is looked at meanwhile, and the run can
 * be given up.
 */
export class Preparing {
  readonly #db: Database;
  readonly #onDone: () => void;
  #runId: string | undefined;
  #calledOff = new AbortController();
  #prepared: Prepared = { share: 0 };
  /** The most of its file that the printer has had, and when there was G-code, or more of it sent than ever before. */
  #sent = 0;
  #wentOnAt = 0;

  /** @param onDone called when there is G-code, or when there will be none */
  constructor(db: Database, onDone: () => void) {
    this.#db = db;
    this.#onDone = onDone;
  }

  /** How far the batch of a run is; begins with it unless it is under way. */
  of(run: Run): Prepared {
    if (run.id !== this.#runId) this.#begin(run);
    return this.#prepared;
  }

  /** When there was G-code for the last run that was prepared, or when the printer had more of it than before; 0 if never. */
  get wentOnAt(): number {
    return this.#wentOnAt;
  }

  /** Notes how much of its file the printer has. */
  noteSent(share: number): void {
    if (share <= this.#sent) return;
    this.#sent = share;
    this.#wentOnAt = Date.now();
  }

  /** Calls off what is under way, and keeps nothing. */
  end(): void {
    this.#calledOff.abort();
    this.#runId = undefined;
    this.#prepared = { share: 0 };
  }

  #begin({ id, batchId, printerId, rolls }: Run): void {
    this.end();
    this.#runId = id;
    this.#sent = 0;
    const { signal } = (this.#calledOff = new AbortController());
    const note = (prepared: Prepared) => {
      if (signal.aborted) return;
      this.#prepared = prepared;
      if ('gcode' in prepared) this.#wentOnAt = Date.now();
    };
    void gcodeOfBatch(this.#db, batchId, printerId, {
      places: placesOf(rolls),
      onProgress: (share) => note({ share }),
      signal,
    })
      .then(note, (problem: unknown) => note({ problem }))
      .finally(this.#onDone);
  }
}
