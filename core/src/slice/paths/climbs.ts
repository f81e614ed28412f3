/**
 * Where the tops of layers lie on one scale that only rises, mm: their heights, and where parts are printed one after
 * another each of them on top of the part before it.
 */
export function climbsOf(heightsMm: readonly number[]): number[] {
  let [belowMm, lastMm] = [0, 0];
  return heightsMm.map((mm) => {
    if (mm < lastMm) belowMm += lastMm;
    lastMm = mm;
    return belowMm + mm;
  });
}

/** From where to where on that scale each part lies, in the order in which they are printed. */
export function spansOf(heightsMm: readonly number[]): (readonly [lowMm: number, highMm: number])[] {
  const climbsMm = climbsOf(heightsMm);
  const ends = climbsMm.filter((_, i) => i === heightsMm.length - 1 || heightsMm[i + 1] < heightsMm[i]);
  return ends.map((highMm, i) => [ends[i - 1] ?? 0, highMm]);
}
