import { extentOf, type Region } from '../../plane/index.ts';

/** The middle of the box around outlines. */
export function middleOf(outlines: Region): readonly [number, number] {
  const { x, y } = extentOf(outlines);
  return [(x.low + x.high) / 2, (y.low + y.high) / 2];
}
