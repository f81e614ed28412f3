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

  /** Calls off what is under way, and keeps nothing. */
  end(): void {
    this.#calledOff.abort();
    this.#runId = undefined;
    this.#prepared = { share: 0 };
  }

  #begin({ id, batchId, printerId, rolls }: Run): void {
    this.end();
    this.#runId = id;
    const { signal } = (this.#calledOff = new AbortController());
    const note = (prepared: Prepared) => {
      if (!signal.aborted) this.#prepared = prepared;
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
