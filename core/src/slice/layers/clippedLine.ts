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
  const [dx, dy] = [to[0] - from[0], to[1] - from[1]];
  for (const runs of region) {
    runs.alongWay(from, to, (a, b) => {
      const turn = dx * (b[1] - a[1]) - dy * (b[0] - a[0]);
      if (turn === 0) return;
      const [gx, gy] = [a[0] - from[0], a[1] - from[1]];
      const share = (gx * (b[1] - a[1]) - gy * (b[0] - a[0])) / turn;
      const along = (gx * dy - gy * dx) / turn;
      // Each end belongs to one of the edges and segments that meet there.
      if (share > 0 && share <= 1 && along >= 0 && along < 1) shares.push(share);
    });
  }
  return shares.sort((a, b) => a - b);
}
