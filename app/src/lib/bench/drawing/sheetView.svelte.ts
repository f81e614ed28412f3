import type { Point } from '@kelbrin/core/recipe';
import { toMillimetres, type Sheet } from '../plan/sheet';
import { Fingers } from './fingers';

/** How much closer or farther one press of a key goes. */
const KEY_FACTOR = 1.25;
const LEAST_PX_PER_MM = 0.4;
const MOST_PX_PER_MM = 200;

/** What of a drawing is looked at, once somebody chose to look closer or elsewhere than at the whole. */
export class SheetView {
  /** The sheet as it was chosen; undefined while all is seen, as large as it can be. */
  chosen = $state.raw<Sheet>();
  readonly #fingers = new Fingers();

  /** A chosen sheet in a window that may have changed its size since. */
  in(fitted: Sheet): Sheet {
    const { chosen } = this;
    return chosen ? { ...chosen, widthPx: fitted.widthPx, heightPx: fitted.heightPx } : fitted;
  }

  fit(): void {
    this.chosen = undefined;
  }

  /** Looks closer or from farther away; the place under the pointer stays there. */
  zoom(sheet: Sheet, [x, y]: Point, factor: number): void {
    const pixelsPerMm = Math.min(MOST_PX_PER_MM, Math.max(LEAST_PX_PER_MM, sheet.pixelsPerMm * factor));
    const under = toMillimetres(sheet, [x, y]);
    const middle: [number, number] = [
      under[0] - (x - sheet.widthPx / 2) / pixelsPerMm,
      under[1] + (y - sheet.heightPx / 2) / pixelsPerMm,
    ];
    this.chosen = { ...sheet, pixelsPerMm, middle };
  }

  /** Moves the paper by pixels. */
  pan(sheet: Sheet, [dx, dy]: Point): Sheet {
    const [x, y] = sheet.middle;
    return (this.chosen = { ...sheet, middle: [x - dx / sheet.pixelsPerMm, y + dy / sheet.pixelsPerMm] });
  }

  wheel(sheet: Sheet, event: WheelEvent & { currentTarget: Element }): void {
    event.preventDefault();
    const { left, top } = event.currentTarget.getBoundingClientRect();
    const factor = Math.exp(-event.deltaY * (event.ctrlKey ? 0.01 : 0.0015));
    this.zoom(sheet, [event.clientX - left, event.clientY - top], factor);
  }

  /** + and − look closer and farther, 0 looks at the whole; hands back whether the key was one of these. */
  key(sheet: Sheet, { key }: KeyboardEvent): boolean {
    const middle: Point = [sheet.widthPx / 2, sheet.heightPx / 2];
    if (key === '+' || key === '=') this.zoom(sheet, middle, KEY_FACTOR);
    else if (key === '-') this.zoom(sheet, middle, 1 / KEY_FACTOR);
    else if (key === '0') this.fit();
    else return false;
    return true;
  }

  /** A finger or the pointer is put down; hands back whether it is the second, so that both scale the paper. */
  down(event: PointerEvent): boolean {
    this.#fingers.down(event);
    return this.#fingers.areTwo;
  }

  up(event: PointerEvent): void {
    this.#fingers.up(event);
  }

  /** Two fingers move and scale the paper; hands back whether there are two. */
  follow(sheet: Sheet, event: PointerEvent & { currentTarget: Element }): boolean {
    const pinch = this.#fingers.moved(event);
    if (!pinch) return false;
    const { left, top } = event.currentTarget.getBoundingClientRect();
    const panned = this.pan(sheet, pinch.by);
    this.zoom(panned, [pinch.middle[0] - left, pinch.middle[1] - top], pinch.spread);
    return true;
  }
}
