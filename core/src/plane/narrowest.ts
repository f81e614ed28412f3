import { EdgeGrid } from './edgeGrid.ts';
import type { Region } from './region.ts';
import { toEdgeMm } from './toEdge.ts';

/**
 * Edges whose inward directions have a smaller cosine than this may have a narrow place between them: a little more than
 * that of the sides of a corner of 60°.
 */
const OPPOSED_COSINE = -0.45;
/** A notch whose sides turn by more than this points at what lies across by neither of its sides. */
const SHARPEST_NOTCH_DEG = 120;
/** An edge that lies no further than this before another's line lies beside it. */
const LEVEL_MM = 1e-6;

/**
 * How narrow a region is at least: no circle that touches it on opposite sides is narrower than this, corners of more
 * than 63° aside. It is a bound for those who only want to know that there is room everywhere: no place is narrower, but
 * nor need any be so narrow. 0 where a corner, or a notch, is sharp; `upToMm` where nothing is narrower than that.
 *
 * Each circle that touches two edges is at least as wide as they are apart, so it is enough to look at those pairs that
 * face each other.
 */
export function narrowestMm(region: Region, upToMm: number): number {
  if (hasSharpNotch(region)) return 0;
  // From the middle of a stretch of an edge, what is near its ends has to be found as well.
  const grid = new EdgeGrid(region, 1.5 * upToMm);
  const inward = inwardOf(grid.ends);
  let narrowest = upToMm;
  const { ends, found } = grid;
  for (let a = 0; 2 * a < inward.length; a++) {
    const [x, y] = [ends[4 * a], ends[4 * a + 1]];
    const [alongX, alongY] = [ends[4 * a + 2] - x, ends[4 * a + 3] - y];
    const places = Math.max(1, Math.ceil(Math.hypot(alongX, alongY) / upToMm));
    for (let place = 0; place < places; place++) {
      const share = (place + 0.5) / places;
      const count = grid.near(x + share * alongX, y + share * alongY);
      for (let i = 0; i < count; i++) {
        // Both of a pair find each other.
        if (found[i] > a && face(a, found[i], ends, inward)) {
          narrowest = Math.min(narrowest, apartMm(a, found[i], ends));
        }
      }
    }
  }
  return narrowest;
}

/** The inward direction of each edge, x and y; the region lies to the left of its edges. */
function inwardOf(ends: Float64Array): Float64Array {
  const inward = new Float64Array(ends.length / 2);
  for (let edge = 0; 2 * edge < inward.length; edge++) {
    const dx = ends[4 * edge + 2] - ends[4 * edge];
    const dy = ends[4 * edge + 3] - ends[4 * edge + 1];
    const length = Math.hypot(dx, dy) || 1;
    inward[2 * edge] = -dy / length;
    inward[2 * edge + 1] = dx / length;
  }
  return inward;
}

/** Whether two edges look at each other, each at least in part before the other. */
function face(a: number, b: number, ends: Float64Array, inward: Float64Array): boolean {
  const cosine = inward[2 * a] * inward[2 * b] + inward[2 * a + 1] * inward[2 * b + 1];
  return cosine < OPPOSED_COSINE && isBefore(a, b, ends, inward) && isBefore(b, a, ends, inward);
}

/** Whether some of edge `b` lies on the inner side of the line of edge `a`. */
function isBefore(a: number, b: number, ends: Float64Array, inward: Float64Array): boolean {
  const [nx, ny] = [inward[2 * a], inward[2 * a + 1]];
  const level = nx * ends[4 * a] + ny * ends[4 * a + 1] + LEVEL_MM;
  return (
    nx * ends[4 * b] + ny * ends[4 * b + 1] > level || nx * ends[4 * b + 2] + ny * ends[4 * b + 3] > level
  );
}

/** How far two edges that do not cross are apart: from one end of one of them to the other edge. */
function apartMm(a: number, b: number, ends: Float64Array): number {
  const [ax, ay, bx, by] = ends.subarray(4 * a, 4 * a + 4);
  const [cx, cy, dx, dy] = ends.subarray(4 * b, 4 * b + 4);
  return Math.min(
    toEdgeMm(ax, ay, cx, cy, dx, dy),
    toEdgeMm(bx, by, cx, cy, dx, dy),
    toEdgeMm(cx, cy, ax, ay, bx, by),
    toEdgeMm(dx, dy, ax, ay, bx, by),
  );
}

/** Whether the outline turns back at a corner that reaches into the region by more than {@link SHARPEST_NOTCH_DEG}. */
function hasSharpNotch(region: Region): boolean {
  const least = Math.cos((SHARPEST_NOTCH_DEG * Math.PI) / 180);
  return region.some((outline) =>
    outline.some(([x, y], i) => {
      const [px, py] = outline[(i + outline.length - 1) % outline.length];
      const [nx, ny] = outline[(i + 1) % outline.length];
      const [inX, inY] = [x - px, y - py];
      const [outX, outY] = [nx - x, ny - y];
      const lengths = Math.hypot(inX, inY) * Math.hypot(outX, outY);
      return inX * outY - inY * outX < 0 && inX * outX + inY * outY < least * lengths;
    }),
  );
}
