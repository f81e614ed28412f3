import type { Extent } from '../../plane/index.ts';

type Place = readonly [number, number];

/**
 * A gyroid of period 1 has a surface of 3.0915 in each cell (A. Schoen, NASA TN D-5541, 1970); cut level, lines are as long as
 * it is steep, which is a quarter of π in the mean.
 */
const LENGTH_OF_CELL = 3.0915 * (Math.PI / 4);
/** So many corners has a wave. */
const CORNERS = 24;
const TURN = 2 * Math.PI;

/**
 * The lines in which a level cut at a height meets the surface sin x cos y + sin y cos z + sin z cos x = 0. They are as
 * strong in each direction, and cross each other in no layer, so that the nozzle runs over nothing.
 */
export function waveLines(extent: Extent, zMm: number, share: number, lineWidthMm: number): Place[][] {
  const periodMm = (LENGTH_OF_CELL * lineWidthMm) / share;
  const z = (zMm / periodMm) * TURN;
  // At each height one of x and y has a place for every place of the other.
  const isAcross = Math.abs(Math.sin(z)) > Math.SQRT1_2;
  const [along, across] = isAcross ? [extent.y, extent.x] : [extent.x, extent.y];
  const step = periodMm / CORNERS;
  const lines: Place[][] = [];
  for (const side of [-1, 1]) {
    const first = Math.floor(across.low / periodMm) - 1;
    for (let wave = first; (wave - 1) * periodMm <= across.high; wave++) {
      const points: Place[] = [];
      for (let i = Math.floor(along.low / step); i * step <= along.high + step; i++) {
        const u = ((i * step) / periodMm) * TURN;
        const v = isAcross
          ? root(Math.sin(z), Math.cos(u), -Math.sin(u) * Math.cos(z), side)
          : root(Math.sin(u), Math.cos(z), -Math.sin(z) * Math.cos(u), side);
        const at = (v / TURN + wave) * periodMm;
        points.push(isAcross ? [at, i * step] : [i * step, at]);
      }
      lines.push(unwrapped(points, isAcross ? 0 : 1, periodMm));
    }
  }
  return lines;
}

/** One of the two turns of v for which `a cos v + b sin v = c`. */
function root(a: number, b: number, c: number, side: number): number {
  return Math.atan2(b, a) + side * Math.acos(Math.min(1, Math.max(-1, c / Math.hypot(a, b))));
}

/** A line whose corners jump by no more than half a period: an angle that passes a whole turn begins again at none. */
function unwrapped(points: readonly Place[], axis: 0 | 1, periodMm: number): Place[] {
  let shift = 0;
  return points.map((point, i) => {
    if (i > 0) {
      const jump = point[axis] - points[i - 1][axis];
      if (Math.abs(jump) > periodMm / 2) shift -= Math.sign(jump) * periodMm;
    }
    return axis === 0 ? [point[0] + shift, point[1]] : [point[0], point[1] + shift];
  });
}
