import { extentOf } from '../../plane/index.ts';
import type { Area } from '../../solid/index.ts';

/** The middle of the box around an area. */
export function middleOf(area: Area): readonly [number, number] {
  const { x, y } = extentOf(area.outlines());
  return [(x.low + x.high) / 2, (y.low + y.high) / 2];
}
