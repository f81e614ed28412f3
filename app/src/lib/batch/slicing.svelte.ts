import type { LimitsCard } from '@kelbrin/core/inspect';
import type { Pose } from '@kelbrin/core/plate';
import type { CutLine, Estimate, MoveCount, PartChoice, PrintChoice, PrintClock } from '@kelbrin/core/slice';
import { heldByOf, type HeldBy } from '../shared/heldBy';
import { receivedLayer, type ShownLayer } from '../ui/printedLines/shownLayer';
import type { FromBatchWorker, OnPrinter, ToBatchWorker } from './messages';
import BatchWorker from './batch.worker?worker';

/** A part of a batch, by the print file that it is of. */
export interface PartToSlice extends Pose {
  readonly hash: string;
  readonly fileId: string;
  /** By what supports hold it; none do if it is left out. */
  readonly heldBy?: HeldBy;
  /** What was chosen for it alone. */
  readonly ownChoice?: PartChoice | null;
}

/** What slicing needs of a part of a batch. */
export function partToSlice({
  hash,
  fileId,
  xMm,
  yMm,
  turnDeg,
  ownChoice,
  ...part
}: PartToSlice & Parameters<typeof heldByOf>[0]): PartToSlice {
  return { hash, fileId, xMm, yMm, turnDeg, ownChoice, heldBy: heldByOf(part) };
}

/** Slices a batch in a worker whenever it changes, and hands out what it takes and how its layers look. */
export class BatchSlicing {
  estimate = $state<Estimate>();
  heightsMm = $state.raw<readonly number[]>([]);
  /** The parts in the order in which they are printed one after another; undefined where they grow together. */
  turns = $state.raw<readonly number[]>();
  clock = $state.raw<PrintClock>();
  moves = $state.raw<MoveCount>();
  shown = $state.raw<ShownLayer>();
  /** What is seen where the batch is cut across. */
  cuts = $state.raw<readonly CutLine[]>([]);
  /** How many of the files are sliced; undefined when nothing is being sliced. */
  progress = $state<{ done: number; of: number }>();
  problem = $state<string>();
  /** Whether somebody had slicing stop; the batch as it is now is then not sliced. */
  isCalledOff = $state(false);

  /** Made when it is first needed, since the page is drawn on the server as well. */
  #worker: Worker | undefined;
  readonly #sent: Record<string, Promise<void> | undefined> = {};
  /** Where print files are fetched, before their ids. */
  readonly #from: string;
  #job = 0;
  /** The layer that is to be seen, and the job of which one is being asked for. */
  #wanted = 0;
  #asked: number | undefined;
  #cutAt: number | undefined;
  #last: Parameters<BatchSlicing['slice']> | undefined;

  constructor(from: string) {
    this.#from = from;
  }

  /** Slices the batch as it is now; what was being sliced is called off. */
  async slice(
    parts: readonly PartToSlice[],
    limits: LimitsCard,
    choice: PrintChoice,
    on?: OnPrinter,
  ): Promise<void> {
    const job = ++this.#job;
    this.#last = [parts, limits, choice, on];
    this.isCalledOff = false;
    this.progress = { done: 0, of: 1 };
    this.problem = undefined;
    try {
      await Promise.all(parts.map((part) => this.#send(part)));
    } catch (problem) {
      if (job === this.#job) [this.progress, this.problem] = [undefined, (problem as Error).message];
      return;
    }
    if (job !== this.#job) return;
    const places = parts.map(({ fileId: _, ...part }) => part);
    this.#post({ kind: 'batch', job, parts: places, limits, choice, on });
  }

  /** Stops slicing until the batch changes, or until somebody wants it after all. */
  callOff(): void {
    this.#job++;
    this.progress = undefined;
    this.isCalledOff = true;
    this.#post({ kind: 'off', job: this.#job });
  }

  /** Slices what was called off. */
  again(): void {
    if (this.#last) void this.slice(...this.#last);
  }

  /** Shows a layer, now and after the batch was sliced anew. */
  show(index: number): void {
    this.#wanted = index;
    // One at a time: whoever moves quickly through the layers waits for the last that they want, and not for each.
    if (this.#asked === this.#job) return;
    this.#asked = this.#job;
    this.#post({ kind: 'layer', job: this.#job, index });
  }

  /** Shows what an upright cut from left to right meets, now and after the batch was sliced anew. */
  cut(yMm: number): void {
    this.#cutAt = yMm;
    this.#post({ kind: 'cut', job: this.#job, yMm });
  }

  close(): void {
    this.#worker?.terminate();
  }

  #hear(message: FromBatchWorker): void {
    if (message.job !== this.#job) return;
    if (message.kind === 'progress') this.progress = { done: message.done, of: message.of };
    else if (message.kind === 'layer') {
      this.shown = receivedLayer(message);
      this.#asked = undefined;
      if (message.index !== this.#wanted) this.show(this.#wanted);
    } else if (message.kind === 'cut') this.cuts = message.cuts;
    else if (message.kind === 'failed') {
      [this.progress, this.problem] = [undefined, message.problem];
    } else {
      this.progress = undefined;
      this.estimate = message.estimate;
      this.heightsMm = message.heightsMm;
      this.turns = message.turns;
      this.clock = message.clock;
      this.moves = message.moves;
      // What was asked for before there were layers is not answered.
      this.#asked = undefined;
      this.show(Math.min(this.#wanted, message.heightsMm.length - 1));
      if (this.#cutAt !== undefined) this.cut(this.#cutAt);
    }
  }

  /** Sends a print file to the worker, once. */
  #send({ hash, fileId }: PartToSlice): Promise<void> {
    let sending = this.#sent[hash];
    if (!sending) {
      sending = fetch(`${this.#from}/${fileId}`).then(async (answer) => {
        if (!answer.ok) throw new Error('A print file could not be fetched: load the page again.');
        const stl = await answer.arrayBuffer();
        this.#post({ kind: 'file', hash, stl });
      });
      this.#sent[hash] = sending;
    }
    return sending;
  }

  #post(message: ToBatchWorker): void {
    // Plain copies: what Svelte watches cannot be sent.
    if (!this.#worker) {
      this.#worker = new BatchWorker({ name: document.documentElement.lang });
      this.#worker.addEventListener('message', ({ data }: MessageEvent<FromBatchWorker>) => this.#hear(data));
    }
    this.#worker.postMessage(message.kind === 'file' ? message : $state.snapshot(message));
  }
}
