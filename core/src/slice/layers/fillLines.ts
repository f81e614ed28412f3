import type { Region } from '../../recipe/index.ts';
import type { Path, Role } from '../paths/toolpath.ts';

/** Lines shorter than this are not worth moving to. */
const SHORTEST_MM = 0.3;

/**
 * Fills an area with parallel straight lines at an angle and a spacing, each clipped to the area by the even-odd rule.
 * Lines keep to a grid through the origin, so that those of one layer lie over those of the layer two below; or to one
 * that is moved square to them by `phaseMm`.
 */
export function fillLines(
  region: Region,
  angleDeg: number,
  spacingMm: number,
  role: Role,
  widthMm = spacingMm,
  phaseMm = 0,
): Path[] {
  const angle = (angleDeg * Math.PI) / 180;
  const c = Math.cos(angle);
  const s = Math.sin(angle);
  const turned = region.map((outline) => outline.map(([x, y]) => [x * c + y * s, -x * s + y * c] as const));

  // Each edge notes where it crosses the grid lines between its ends.
  const crossings = new Map<number, number[]>();
  for (const outline of turned) {
    let [ax, ay] = outline[outline.length - 1];
    for (const [bx, by] of outline) {
      const low = Math.min(ay, by);
      const high = Math.max(ay, by);
      for (let row = Math.ceil((low - phaseMm) / spacingMm); row * spacingMm + phaseMm < high; row++) {
        const y = row * spacingMm + phaseMm;
        const x = ax + ((y - ay) / (by - ay)) * (bx - ax);
        const found = crossings.get(row);
        if (found) found.push(x);
        else crossings.set(row, [x]);
      }
      [ax, ay] = [bx, by];
    }
  }

  const paths: Path[] = [];
  for (const [row, xs] of crossings) {
    xs.sort((a, b) => a - b);
    const y = row * spacingMm + phaseMm;
    for (let i = 0; i + 1 < xs.length; i += 2) {
      if (xs[i + 1] - xs[i] < SHORTEST_MM) continue;
      const ends = [xs[i], xs[i + 1]].map((x) => [x * c - y * s, x * s + y * c] as const);
      paths.push({ role, points: ends, closed: false, widthMm });
    }
  }
  return paths;
}
