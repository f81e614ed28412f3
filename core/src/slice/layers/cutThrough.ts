import type { Role, Toolpath } from '../paths/toolpath.ts';

/** A line of plastic where an upright plane from left to right cuts it: its middle, its upper side, and its size. */
export interface CutLine {
  readonly role: Role;
  readonly xMm: number;
  readonly topMm: number;
  readonly widthMm: number;
  readonly thickMm: number;
}

/** Lines that run nearly along the plane are cut for no longer than so many times their width at once. */
const LONGEST = 40;

/** The lines of plastic that the upright plane at `yMm` cuts, layer by layer from the plate upwards. */
export function cutThrough({ layers }: Toolpath, yMm: number): CutLine[] {
  const cuts: CutLine[] = [];
  for (const { zMm, thickMm, paths } of layers) {
    for (const { role, points, closed, widthMm } of paths) {
      const way = closed ? [...points, points[0]] : points;
      for (let i = 1; i < way.length; i++) {
        const [[ax, ay], [bx, by]] = [way[i - 1], way[i]];
        if (ay < yMm === by < yMm) continue;
        const length = Math.hypot(bx - ax, by - ay);
        cuts.push({
          role,
          xMm: ax + ((yMm - ay) / (by - ay)) * (bx - ax),
          topMm: zMm,
          // The flatter it is crossed, the longer is what is seen of a line.
          widthMm: Math.min(LONGEST * widthMm, (widthMm * length) / Math.abs(by - ay), length + widthMm),
          thickMm,
        });
      }
    }
  }
  return cuts;
}
