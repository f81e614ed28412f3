/** A piece of a ceiling's edge as seen from above, and whether something holds the ceiling there. */
export interface CeilingEdge {
  readonly from: readonly [number, number];
  readonly to: readonly [number, number];
  readonly held: boolean;
}

/** The best way to bridge a ceiling. */
export interface Span {
  /** The longest line of plastic that has to be drawn through the air. */
  readonly mm: number;
  /** The direction of the lines, ° from the x axis. */
  readonly deg: number;
}

/** Directions are tried this far apart, and around the best of them again at a tenth of it, °. */
const STEP_DEG = 3;
/** Strips across the lines that are narrower come from rounding: an end face that is not quite square. */
const NARROW_MM = 0.02;

/**
 * The shortest span over all directions by which every line across a ceiling lands on support at both ends; undefined if
 * there is no such direction, so that the ceiling can only be an overhang.
 *
 * @param forgiveMm lines no longer than this hold without support: one line of plastic lies on the one before
 */
export function shortestSpan(edges: readonly CeilingEdge[], forgiveMm: number): Span | undefined {
  // A wall's own direction, and square to it, is where a span is shortest for everything with straight sides.
  const own = edges.map(({ from, to }) => (Math.atan2(to[1] - from[1], to[0] - from[0]) * 180) / Math.PI);
  const tried = new Set<number>();
  let best: Span | undefined;
  const attempt = (deg: number) => {
    const direction = Math.round((((deg % 180) + 180) % 180) * 20) / 20;
    if (tried.has(direction)) return;
    tried.add(direction);
    const mm = longestLine(edges, direction, forgiveMm, best?.mm ?? Infinity);
    if (mm !== undefined && mm < (best?.mm ?? Infinity)) best = { mm, deg: direction };
  };
  if (own.length <= 60) for (const deg of own) [deg, deg + 90].forEach(attempt);
  for (let deg = 0; deg < 180; deg += STEP_DEG) attempt(deg);
  if (best) {
    const { deg } = best;
    for (let by = -STEP_DEG; by <= STEP_DEG; by += STEP_DEG / 10) attempt(deg + by);
  }
  return best;
}

/** The longest line in a direction; undefined if one of them ends in the air, or is longer than is of interest. */
function longestLine(
  edges: readonly CeilingEdge[],
  deg: number,
  forgiveMm: number,
  most: number,
): number | undefined {
  const [cos, sin] = [Math.cos((deg * Math.PI) / 180), Math.sin((deg * Math.PI) / 180)];
  // In a frame where the lines run along x, each strip between two corners has the same edges all the way up.
  const turned = edges
    .map(({ from, to, held }): TurnedEdge => {
      const a = [from[0] * cos + from[1] * sin, from[1] * cos - from[0] * sin];
      const b = [to[0] * cos + to[1] * sin, to[1] * cos - to[0] * sin];
      const [low, high] = a[1] < b[1] ? [a, b] : [b, a];
      return { low, high, held };
    })
    .sort((a, b) => a.low[1] - b.low[1]);
  const heights = turned.flatMap(({ low, high }) => [low[1], high[1]]).sort((a, b) => a - b);
  let longest = 0;
  let next = 0;
  let open: TurnedEdge[] = [];
  for (let i = 1; i < heights.length; i++) {
    const [y0, y1] = [heights[i - 1], heights[i]];
    if (y1 - y0 < NARROW_MM) continue;
    const middle = (y0 + y1) / 2;
    while (next < turned.length && turned[next].low[1] < middle) open.push(turned[next++]);
    open = open.filter(({ high }) => high[1] > middle);
    const passed = open
      .map((edge) => ({ held: edge.held, x: xAt(edge, middle), x0: xAt(edge, y0), x1: xAt(edge, y1) }))
      .sort((a, b) => a.x - b.x);
    for (let k = 0; k + 1 < passed.length; k += 2) {
      const [left, right] = [passed[k], passed[k + 1]];
      const mm = Math.max(right.x0 - left.x0, right.x1 - left.x1);
      if (!(left.held && right.held) && mm > forgiveMm) return undefined;
      longest = Math.max(longest, mm);
      if (longest >= most) return undefined;
    }
  }
  return longest;
}

interface TurnedEdge {
  readonly low: readonly number[];
  readonly high: readonly number[];
  readonly held: boolean;
}

function xAt({ low, high }: TurnedEdge, y: number): number {
  return low[0] + ((high[0] - low[0]) * (y - low[1])) / (high[1] - low[1]);
}
