import type { Point } from '../plane/index.ts';
import { overlap, type Rect } from './ink.ts';

/** Places are tried so far apart, mm. */
const STEP_MM = 3;
/** Drawings stand so far apart, mm. */
export const APART_MM = 6;

/** What is taken of a sheet, and where else something has room. */
export class FreePlaces {
  readonly #room: Rect;
  readonly #taken: Rect[] = [];

  constructor(room: Rect) {
    this.#room = room;
  }

  take(rect: Rect): void {
    this.#taken.push(rect);
  }

  isFree(rect: Rect): boolean {
    const { x, y, width, height } = this.#room;
    const isInside =
      rect.x >= x - 1e-6 &&
      rect.y >= y - 1e-6 &&
      rect.x + rect.width <= x + width + 1e-6 &&
      rect.y + rect.height <= y + height + 1e-6;
    // A little less, so that what stands just so far apart does.
    const apart = APART_MM - 1e-6;
    const around: Rect = {
      x: rect.x - apart,
      y: rect.y - apart,
      width: rect.width + 2 * apart,
      height: rect.height + 2 * apart,
    };
    return isInside && !this.#taken.some((other) => overlap(around, other));
  }

  /** The free place for a rectangle that is nearest to a corner of the sheet, as its lower left corner. */
  find(
    { width, height }: Pick<Rect, 'width' | 'height'>,
    [cornerX, cornerY]: readonly [0 | 1, 0 | 1],
  ): Point | undefined {
    const { x, y, width: roomWidth, height: roomHeight } = this.#room;
    const [spareX, spareY] = [roomWidth - width, roomHeight - height];
    let best: Point | undefined;
    let least = Infinity;
    for (let dx = 0; dx <= spareX; dx += STEP_MM) {
      for (let dy = 0; dy <= spareY; dy += STEP_MM) {
        if (dx + dy >= least) break;
        const at: Point = [x + (cornerX ? spareX - dx : dx), y + (cornerY ? spareY - dy : dy)];
        if (!this.isFree({ x: at[0], y: at[1], width, height })) continue;
        [least, best] = [dx + dy, at];
      }
    }
    return best;
  }
}
