import { numbersOf } from './lengths.ts';
import type { Matrix } from './matrix.ts';

/** A part of the drawing with a measure of its own: what its percentages are of. */
export interface Viewport {
  readonly width: number;
  readonly height: number;
}

/** The numbers of a `viewBox`: where it begins, and how large it is; undefined where there is none. */
export function viewBoxOf(
  words: string | undefined,
): readonly [x: number, y: number, width: number, height: number] | undefined {
  const [x, y, width, height] = numbersOf(words ?? '');
  return width > 0 && height > 0 ? [x, y, width, height] : undefined;
}

/** The map of a view box into the rectangle in which it is shown (SVG 2, § 8.2 "equivalent transform"). */
export function fitted(
  [x, y, width, height]: readonly [number, number, number, number],
  into: { readonly x: number; readonly y: number } & Viewport,
  preserveAspectRatio = '',
): Matrix {
  let [scaleX, scaleY] = [into.width / width, into.height / height];
  if (preserveAspectRatio.includes('none'))
    return [scaleX, 0, 0, scaleY, into.x - x * scaleX, into.y - y * scaleY];
  scaleX = scaleY = preserveAspectRatio.includes('slice')
    ? Math.max(scaleX, scaleY)
    : Math.min(scaleX, scaleY);
  const align = (axis: 'x' | 'Y', room: number) =>
    preserveAspectRatio.includes(`${axis}Min`)
      ? 0
      : preserveAspectRatio.includes(`${axis}Max`)
        ? room
        : room / 2;
  return [
    scaleX,
    0,
    0,
    scaleY,
    into.x + align('x', into.width - width * scaleX) - x * scaleX,
    into.y + align('Y', into.height - height * scaleY) - y * scaleY,
  ];
}
