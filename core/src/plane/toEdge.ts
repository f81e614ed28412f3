/** Where on an edge from `a` to `b` it comes nearest to a place: 0 at its beginning, 1 at its end; 0 on one without length. */
export function shareNearest(x: number, y: number, ax: number, ay: number, bx: number, by: number): number {
  const [ex, ey] = [bx - ax, by - ay];
  const share = ((x - ax) * ex + (y - ay) * ey) / (ex * ex + ey * ey || 1);
  return Math.max(0, Math.min(1, share));
}

/** How far a place is from an edge from `a` to `b`, mm. */
export function toEdgeMm(x: number, y: number, ax: number, ay: number, bx: number, by: number): number {
  const share = shareNearest(x, y, ax, ay, bx, by);
  return Math.hypot(ax + share * (bx - ax) - x, ay + share * (by - ay) - y);
}
