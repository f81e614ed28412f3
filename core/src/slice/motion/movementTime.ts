import type { Move } from './motion.ts';
import { secondsOf, type Segment } from './planner.ts';
import type { PrintSettings } from '../settings/printSettings.ts';

/**
 * Adds up the time of moves as they come. Between stops the nozzle moves on: it stops where the filament is drawn back
 * or pushed forward, and where it goes up to the next layer.
 */
export class MovementTime {
  #seconds = 0;
  #chain: Segment[] = [];
  /** Who wants to know when so many segments of the chain are done. */
  #marks: { readonly segments: number; readonly tell: (seconds: number) => void }[] = [];
  readonly #settings: PrintSettings;
  /** Drawing filament back, or pushing it forward again. */
  readonly #retractionS: number;

  constructor(settings: PrintSettings) {
    this.#settings = settings;
    const { retractMm, retractMmPerS, retractMmPerS2 } = settings;
    this.#retractionS = straightSeconds(retractMm, retractMmPerS, retractMmPerS2);
  }

  /** Notes that the nozzle goes up by so much; where it goes down, it does so with its next move. */
  rise(byMm: number): void {
    this.#stop();
    this.#seconds += this.#liftS(byMm);
  }

  #liftS(byMm: number): number {
    const { liftMmPerS, liftMmPerS2 } = this.#settings;
    return straightSeconds(byMm, liftMmPerS, liftMmPerS2);
  }

  /** Notes the next move. */
  add({ from, to, zMm, lengthMm, speedMmPerS, accelerationMmPerS2, retracted, rise }: Move): void {
    if (retracted) this.#stop();
    if (lengthMm > 0) {
      const direction = [(to[0] - from[0]) / lengthMm, (to[1] - from[1]) / lengthMm] as const;
      this.#chain.push({ lengthMm, speedMmPerS, accelerationMmPerS2, direction });
    }
    if (retracted) {
      this.#stop();
      this.#seconds += 2 * this.#retractionS;
      if (rise) this.#seconds += this.#liftS(rise.overMm - rise.fromMm) + this.#liftS(rise.overMm - zMm);
    }
  }

  /** Has `tell` called with the time at the end of the last move, once it is known: when the nozzle next stops. */
  mark(tell: (seconds: number) => void): void {
    if (this.#chain.length === 0) tell(this.#seconds);
    else this.#marks.push({ segments: this.#chain.length, tell });
  }

  /** The time of all moves until now, in seconds; the nozzle stands still then. */
  get seconds(): number {
    this.#stop();
    return this.#seconds;
  }

  #stop(): void {
    if (this.#chain.length === 0) return;
    const ends = this.#marks.length > 0 ? new Float64Array(this.#chain.length) : undefined;
    const seconds = secondsOf(this.#chain, this.#settings.cornerDeviationMm, ends);
    if (ends) for (const { segments, tell } of this.#marks) tell(this.#seconds + ends[segments - 1]);
    this.#seconds += seconds;
    this.#chain = [];
    this.#marks = [];
  }
}

function straightSeconds(lengthMm: number, speedMmPerS: number, accelerationMmPerS2: number): number {
  if (lengthMm <= 0) return 0;
  return secondsOf([{ lengthMm, speedMmPerS, accelerationMmPerS2, direction: [1, 0] }], 0);
}
