import { isInRegion, nearestOnOutlines, type Outline, type Region } from '../../plane/index.ts';

/** A thin branch in one layer: round, and where its middle is, mm. */
export interface Stem {
  readonly x: number;
  readonly y: number;
  readonly radiusMm: number;
}

/** A stem is drawn with so many corners. */
const CORNERS = 16;
const around = Array.from({ length: CORNERS }, (_, i) => {
  const angle = (2 * Math.PI * i) / CORNERS;
  return [Math.cos(angle), Math.sin(angle)] as const;
});

/** A circle around the middle of a stem, counter-clockwise; its own outline if no radius is given. */
export function circleOf({ x, y, radiusMm }: Stem, mm = radiusMm): Outline {
  return around.map(([cos, sin]): [number, number] => [x + mm * cos, y + mm * sin]);
}

/** How far apart the middles of two stems are, mm. */
export const apartMm = (a: Stem, b: Stem): number => Math.hypot(a.x - b.x, a.y - b.y);

/** Whether a stem comes nearer to a region than `mm`, or lies in it. */
export function comesNear({ x, y, radiusMm }: Stem, region: Region, mm = 0): boolean {
  if (region.length === 0) return false;
  const [nearX, nearY] = nearestOnOutlines([x, y], region);
  return Math.hypot(nearX - x, nearY - y) < radiusMm + mm || isInRegion([x, y], region);
}
