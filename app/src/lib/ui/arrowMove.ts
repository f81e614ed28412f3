import type { Point } from '@kelbrin/core/recipe';

const ways: Readonly<Record<string, Point>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowDown: [0, -1],
  ArrowUp: [0, 1],
};

/** How far a key moves what is marked, mm: an arrow by 1, with Shift by 10, with Alt by 0.1; undefined for other keys. */
export function arrowMove({ key, shiftKey, altKey }: KeyboardEvent): Point | undefined {
  const way = ways[key];
  const mm = shiftKey ? 10 : altKey ? 0.1 : 1;
  return way && [way[0] * mm, way[1] * mm];
}
