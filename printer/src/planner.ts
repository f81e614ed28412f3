/** A move that waits to be carried out. */
export interface Block {
  /** How far the head goes, or for filament alone how far that is pushed. */
  readonly lengthMm: number;
  readonly speedMmPerS: number;
  readonly accelerationMmPerS2: number;
  /** Where the head goes, as a vector of length 1; undefined where only filament moves. */
  readonly direction: readonly [number, number, number] | undefined;
  /** Where the head is at the end. */
  readonly to: { readonly x: number; readonly y: number; readonly z: number };
  /** Where in the file the next command begins. */
  readonly end: number;
}

/** A move with how fast it may be begun, by the corner between it and the one before. */
interface Planned {
  readonly block: Block;
  readonly cornerMmPerS: number;
}

/** How many moves the printer knows of ahead, as its small memory allows. */
const MEMORY = 24;

/**
 * The printer's look ahead: it keeps the next moves, and for each that it begins it finds how fast it may be at its end,
 * so that it could still come to rest with the last one it knows.
 */
export class Planner {
  #blocks: Planned[] = [];
  /** How fast the head is at this moment, between two moves. */
  #speed = 0;

  get isFull(): boolean {
    return this.#blocks.length >= MEMORY;
  }

  get isEmpty(): boolean {
    return this.#blocks.length === 0;
  }

  /** Takes a move in, where corners may be cut by so much. */
  push(block: Block, deviationMm: number): void {
    if (block.lengthMm === 0) return;
    const before = this.#blocks.at(-1)?.block;
    // One with none before it begins as fast as the head is then.
    const cornerMmPerS = before ? throughCorner(before, block, deviationMm) : 0;
    this.#blocks.push({ block, cornerMmPerS });
  }

  clear(): void {
    this.#blocks = [];
    this.#speed = 0;
  }

  /** Takes the next move out; says how many seconds it lasts. There has to be one. */
  take(): { block: Block; seconds: number } {
    let leaving = 0;
    for (let i = this.#blocks.length - 1; i > 0; i--) {
      const { block, cornerMmPerS } = this.#blocks[i];
      const { accelerationMmPerS2, lengthMm } = block;
      leaving = Math.min(cornerMmPerS, Math.sqrt(leaving * leaving + 2 * accelerationMmPerS2 * lengthMm));
    }
    const { block } = this.#blocks.shift()!;
    const { lengthMm, speedMmPerS, accelerationMmPerS2: a } = block;
    const entering = this.#speed;
    leaving = Math.min(leaving, Math.sqrt(entering * entering + 2 * a * lengthMm));
    this.#speed = leaving;

    // The fastest point, if there were no limit, and what is left between speeding up and slowing down.
    const top = Math.min(speedMmPerS, Math.sqrt(a * lengthMm + (entering ** 2 + leaving ** 2) / 2));
    const upMm = (top ** 2 - entering ** 2) / (2 * a);
    const downMm = (top ** 2 - leaving ** 2) / (2 * a);
    const cruiseMm = Math.max(0, lengthMm - upMm - downMm);
    return { block, seconds: (top - entering) / a + (top - leaving) / a + cruiseMm / top };
  }
}

/** The speed at which the head may go from one move into the next. */
function throughCorner(before: Block, after: Block, deviationMm: number): number {
  if (!before.direction || !after.direction) return 0;
  const cos = before.direction.reduce((sum, each, axis) => sum - each * after.direction![axis], 0);
  const slower = Math.min(before.speedMmPerS, after.speedMmPerS);
  if (cos < -0.9998) return slower;
  const sinHalf = Math.sqrt(Math.max(0, (1 - cos) / 2));
  const a = Math.min(before.accelerationMmPerS2, after.accelerationMmPerS2);
  return Math.min(slower, Math.sqrt((a * deviationMm * sinHalf) / (1 - sinHalf)));
}
