import type { Point } from '@kelbrin/core/recipe';

/** What two fingers did since they were heard last: moved and spread, px. */
export interface Pinch {
  readonly by: Point;
  /** Where the middle between them is now, in the window. */
  readonly middle: Point;
  /** How much farther apart they are. */
  readonly spread: number;
}

/** The fingers that are on a sheet. */
export class Fingers {
  readonly #places = new Map<number, Point>();

  down(event: PointerEvent): void {
    this.#places.set(event.pointerId, [event.clientX, event.clientY]);
  }

  up(event: PointerEvent): void {
    this.#places.delete(event.pointerId);
  }

  get areTwo(): boolean {
    return this.#places.size === 2;
  }

  /** What one of two fingers did; undefined where there are not two. */
  moved(event: PointerEvent): Pinch | undefined {
    const before = this.#places.get(event.pointerId);
    if (!before || !this.areTwo) return undefined;
    const [other] = [...this.#places].filter(([id]) => id !== event.pointerId).map(([, at]) => at);
    const now: Point = [event.clientX, event.clientY];
    this.#places.set(event.pointerId, now);
    const [was, is] = [before, now].map(([x, y]) => Math.hypot(x - other[0], y - other[1]));
    return {
      // The middle between the fingers moves half as far as the one that moved.
      by: [(now[0] - before[0]) / 2, (now[1] - before[1]) / 2],
      middle: [(now[0] + other[0]) / 2, (now[1] + other[1]) / 2],
      spread: was > 0 ? is / was : 1,
    };
  }
}
