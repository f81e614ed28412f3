import { OutlineRuns } from '../../plane/index.ts';

type Place = readonly [number, number];

/** The pieces of a line of many corners that lie in a region, by the even-odd rule; `region` as its outlines' runs. */
export function clippedLine(points: readonly Place[], region: readonly OutlineRuns[]): Place[][] {
  const pieces: Place[][] = [];
  let isInside = region.filter((outline) => outline.holds(points[0])).length % 2 === 1;
  let piece: Place[] = isInside ? [points[0]] : [];
  for (const [i, to] of points.slice(1).entries()) {
    const from = points[i];
    for (const share of crossings(from, to, region)) {
      const at: Place = [from[0] + share * (to[0] - from[0]), from[1] + share * (to[1] - from[1])];
      piece.push(at);
      if (isInside) pieces.push(piece);
      piece = isInside ? [] : [at];
      isInside = !isInside;
    }
    if (isInside) piece.push(to);
  }
  if (isInside && piece.length > 1) pieces.push(piece);
  return pieces;
}

/** Where a straight line crosses outlines, as shares of it, in their order. */
function crossings(from: Place, to: Place, region: readonly OutlineRuns[]): number[] {
  const shares: number[] = [];
  for (const runs of region) {
    // Each end belongs to one of the segments that meet there.
    runs.crossings(from, to, (share) => {
      if (share > 0 && share <= 1) shares.push(share);
    });
  }
  return shares.sort((a, b) => a - b);
}
