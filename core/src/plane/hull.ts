import type { Outline, Point, Region } from './region.ts';

/** The convex hull of points, counter-clockwise, no corner of it twice, by Andrew's monotone chain (1979); fewer than three if they lie on a line. */
export function convexHull(points: readonly Point[]): Outline {
  const sorted = [...points].sort((a, b) => a[0] - b[0] || a[1] - b[1]);
  const half = (along: readonly Point[]) => {
    const chain: Point[] = [];
    for (const point of along) {
      while (chain.length > 1 && orientation(chain.at(-2)!, chain.at(-1)!, point) <= 0) chain.pop();
      chain.push(point);
    }
    return chain.slice(0, -1);
  };
  return [...half(sorted), ...half(sorted.reverse())];
}

/** Twice the area of the triangle of three points; above nothing where the way turns left. */
function orientation([ax, ay]: Point, [bx, by]: Point, [cx, cy]: Point): number {
  return (bx - ax) * (cy - ay) - (by - ay) * (cx - ax);
}

/**
 * The narrowest gap between two parallel lines that points fit between, mm: one of the lines runs along a side of their
 * hull (M. Shamos, 1978). Nothing for points on a line.
 */
export function narrowestWidth(points: readonly Point[]): number {
  const hull = convexHull(points);
  if (hull.length < 3) return 0;
  let narrowest = Infinity;
  // The corner furthest from a side moves round the hull as the side does.
  let far = 1;
  hull.forEach((from, i) => {
    const to = hull[(i + 1) % hull.length];
    const away = (corner: number) => orientation(from, to, hull[corner % hull.length]);
    while (away(far + 1) > away(far)) far++;
    narrowest = Math.min(narrowest, away(far) / Math.hypot(to[0] - from[0], to[1] - from[1]));
  });
  return narrowest;
}

/** How far a point lies inside the hull of others, mm; less than nothing outside it, without end where there is no hull. */
export function depthInHull(point: Point, points: readonly Point[]): number {
  const hull = convexHull(points);
  if (hull.length < 3) return -Infinity;
  return hull.reduce((least, from, i) => {
    const to = hull[(i + 1) % hull.length];
    return Math.min(least, orientation(from, to, point) / Math.hypot(to[0] - from[0], to[1] - from[1]));
  }, Infinity);
}

/** Whether a point lies inside an outline (even–odd rule). */
export function isInside([x, y]: Point, outline: Outline): boolean {
  let inside = false;
  let b = outline[outline.length - 1];
  for (const a of outline) {
    if (a[1] > y !== b[1] > y && x < a[0] + ((b[0] - a[0]) * (y - a[1])) / (b[1] - a[1])) inside = !inside;
    b = a;
  }
  return inside;
}

/** Whether a point lies in a region with openings (even–odd rule). */
export function isInRegion(point: Point, region: Region): boolean {
  return region.filter((outline) => isInside(point, outline)).length % 2 === 1;
}
