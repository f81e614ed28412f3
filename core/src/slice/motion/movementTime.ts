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
  readonly #settings: PrintSettings;
  readonly #retractionS: number;

  constructor(settings: PrintSettings) {
    this.#settings = settings;
    const { retractMm, retractMmPerS, retractMmPerS2 } = settings;
    this.#retractionS = straightSeconds(retractMm, retractMmPerS, retractMmPerS2);
  }

  /** Notes that the nozzle goes up by so much. */
  rise(byMm: number): void {
    this.#stop();
    const { liftMmPerS, travelMmPerS2 } = this.#settings;
    this.#seconds += straightSeconds(byMm, liftMmPerS, travelMmPerS2);
  }

  /** Notes the next move. */
  add({ from, to, lengthMm, speedMmPerS, accelerationMmPerS2, retracted }: Move): void {
    if (retracted) this.#stop();
    if (lengthMm > 0) {
      const direction = [(to[0] - from[0]) / lengthMm, (to[1] - from[1]) / lengthMm] as const;
      this.#chain.push({ lengthMm, speedMmPerS, accelerationMmPerS2, direction });
    }
    if (retracted) {
      this.#stop();
      this.#seconds += 2 * this.#retractionS;
    }
  }

  /** The time of all moves until now, in seconds; the nozzle stands still then. */
  get seconds(): number {
    this.#stop();
    return this.#seconds;
  }

  #stop(): void {
    if (this.#chain.length === 0) return;
    this.#seconds += secondsOf(this.#chain, this.#settings.cornerDeviationMm);
    this.#chain = [];
  }
}

function straightSeconds(lengthMm: number, speedMmPerS: number, accelerationMmPerS2: number): number {
  if (lengthMm <= 0) return 0;
  return secondsOf([{ lengthMm, speedMmPerS, accelerationMmPerS2, direction: [1, 0] }], 0);
}
