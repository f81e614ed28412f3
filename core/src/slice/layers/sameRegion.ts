import type { Outline, Region } from '../../plane/index.ts';

/** Sections whose corners all lie this close are the same; nozzles cannot tell. */
const SAME_MM = 0.001;

/** Whether two sections have the same outlines, corner by corner. */
export function sameRegion(a: Region, b: Region): boolean {
  return a.length === b.length && a.every((outline, i) => sameOutline(outline, b[i]));
}

/** Whether two outlines have the same corners in the same order, from wherever each begins. */
function sameOutline(a: Outline, b: Outline): boolean {
  if (a.length !== b.length) return false;
  const isSame = (i: number, j: number) =>
    Math.abs(a[i][0] - b[j][0]) + Math.abs(a[i][1] - b[j][1]) < SAME_MM;
  const shift = b.findIndex((_, j) => isSame(0, j));
  return shift >= 0 && a.every((_, i) => isSame(i, (i + shift) % b.length));
}
