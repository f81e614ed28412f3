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
}

/** Directions are tried this far apart, and around the best of them again at a tenth of it, °. */
const STEP_DEG = 3;
/** Strips across the lines that are narrower come from rounding: an end face that is not quite square. */
const NARROW_MM = 0.02;

/** So many lines that are no longer than they are wide may lie loose side by side; more are a twig in the air. */
const MOST_SHORT = 3;

/**
 * The shortest span over all directions by which every line across a ceiling lands on support at both ends; undefined if
 * there is no such direction, so that the ceiling can only be an overhang.
 *
 * @param lineMm the width of a line of plastic. It holds where it is no longer than that, a few side by side, or where it
 * lies beside one that is held: at the mouth of a tunnel through a round post, the last lines end in the air
 */
export function shortestSpan(edges: readonly CeilingEdge[], lineMm: number): Span | undefined {
  // A wall's own direction, and square to it, is where a span is shortest for everything with straight sides.
  const own = edges.map(({ from, to }) => (Math.atan2(to[1] - from[1], to[0] - from[0]) * 180) / Math.PI);
  const tried = new Set<number>();
  let best: { mm: number; deg: number } | undefined;
  const attempt = (deg: number) => {
    const direction = Math.round((((deg % 180) + 180) % 180) * 20) / 20;
    if (tried.has(direction)) return;
    tried.add(direction);
    const mm = longestLine(edges, direction, lineMm, best?.mm ?? Infinity);
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

/**
 * The longest line in a direction; undefined if lines end in the air over more than a line's width, or are longer than is
 * of interest.
 */
function longestLine(
  edges: readonly CeilingEdge[],
  deg: number,
  lineMm: number,
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
  let longest = 0;
  let inAirMm = 0;
  let shortMm = 0;
  let next = 0;
  let open: TurnedEdge[] = [];
  for (const [y0, y1] of strips(turned.flatMap(({ low, high }) => [low[1], high[1]]))) {
    const middle = (y0 + y1) / 2;
    while (next < turned.length && turned[next].low[1] < middle) open.push(turned[next++]);
    open = open.filter(({ high }) => high[1] > middle);
    const passed = open
      .map((edge) => ({ held: edge.held, x: xAt(edge, middle), x0: xAt(edge, y0), x1: xAt(edge, y1) }))
      .sort((a, b) => a.x - b.x);
    let isHeld = true;
    let hasShort = false;
    for (let k = 0; k + 1 < passed.length; k += 2) {
      const [left, right] = [passed[k], passed[k + 1]];
      const mm = Math.max(right.x0 - left.x0, right.x1 - left.x1);
      const isLoose = !(left.held && right.held);
      if (isLoose && mm <= lineMm) hasShort = true;
      if (isLoose && mm > lineMm) isHeld = false;
      else longest = Math.max(longest, mm);
      if (longest >= most) return undefined;
    }
    inAirMm = isHeld ? 0 : inAirMm + y1 - y0;
    shortMm = hasShort ? shortMm + y1 - y0 : 0;
    if (inAirMm > lineMm || shortMm > MOST_SHORT * lineMm) return undefined;
  }
  return longest > 0 ? longest : undefined;
}

/**
 * The strips between the heights at which a ceiling has corners, from low to high. Of heights that follow each other
 * closely, as those of many small edges, several make one; a single close pair comes from rounding and makes none.
 */
function strips(heights: readonly number[]): [low: number, high: number][] {
  const sorted = [...heights].sort((a, b) => a - b);
  const found: [number, number][] = [];
  let from = sorted[0];
  for (let i = 1; i < sorted.length; i++) {
    const isWide = sorted[i] - sorted[i - 1] >= NARROW_MM;
    if (isWide) {
      found.push([sorted[i - 1], sorted[i]]);
    } else if (sorted[i] - from >= NARROW_MM) {
      found.push([from, sorted[i]]);
    } else continue;
    from = sorted[i];
  }
  return found;
}

/** Places of a ceiling are so far apart, mm, or further where there would be more than so many of them in a row. */
const APART_MM = 0.3;
const MOST_IN_ROW = 40;
/** So many directions are tried at each, and so many edges at most are looked at for all of them together. */
const WAYS = 24;
const MOST_LOOKS = 16_000_000;

/**
 * The span of a ceiling that is bridged in one direction here and in another there, as where two tunnels cross: for each
 * place the shortest line through it that lands on support at both ends, and of these the longest. Undefined if more than
 * a line's width is held in no direction.
 */
export function spanInPieces(edges: readonly CeilingEdge[], lineMm: number): Span | undefined {
  const xs = edges.map(({ from }) => from[0]);
  const ys = edges.map(({ from }) => from[1]);
  const low = [xs, ys].map((all) => all.reduce((a, b) => Math.min(a, b), Infinity));
  const high = [xs, ys].map((all) => all.reduce((a, b) => Math.max(a, b), -Infinity));
  const most = Math.sqrt(MOST_LOOKS / (WAYS * edges.length));
  const apartMm = Math.max(
    APART_MM,
    Math.max(high[0] - low[0], high[1] - low[1]) / Math.max(4, Math.min(MOST_IN_ROW, most)),
  );
  const held: (readonly [number, number])[] = [];
  const hanging: (readonly [number, number])[] = [];
  let longest = 0;
  for (let y = low[1] + apartMm / 2; y < high[1]; y += apartMm) {
    for (let x = low[0] + apartMm / 2; x < high[0]; x += apartMm) {
      const mm = shortestThrough(edges, x, y);
      if (mm === undefined) continue;
      if (mm === Infinity) hanging.push([x, y]);
      else {
        held.push([x, y]);
        longest = Math.max(longest, mm);
      }
    }
  }
  const reachMm = Math.max(lineMm, 1.5 * apartMm);
  const isBeside = ([x, y]: readonly [number, number]) =>
    held.some(([hx, hy]) => Math.hypot(hx - x, hy - y) <= reachMm);
  return held.length > 0 && hanging.every(isBeside) ? { mm: longest } : undefined;
}

/** The shortest line through a place that is held at both ends, mm; undefined beside the ceiling, infinite if there is none. */
function shortestThrough(edges: readonly CeilingEdge[], x: number, y: number): number | undefined {
  let shortest = Infinity;
  for (let k = 0; k < WAYS; k++) {
    // Not along the axes, where walls run.
    const angle = (Math.PI * (k + 0.003)) / WAYS;
    const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
    let [ahead, behind] = [Infinity, -Infinity];
    let [isAheadHeld, isBehindHeld] = [false, false];
    let crossings = 0;
    for (const { from, to, held } of edges) {
      const a = (from[0] - x) * sin - (from[1] - y) * cos;
      const b = (to[0] - x) * sin - (to[1] - y) * cos;
      if (a < 0 === b < 0) continue;
      const share = a / (a - b);
      const along =
        (from[0] + share * (to[0] - from[0]) - x) * cos + (from[1] + share * (to[1] - from[1]) - y) * sin;
      if (along > 0) {
        crossings++;
        if (along < ahead) [ahead, isAheadHeld] = [along, held];
      } else if (along > behind) [behind, isBehindHeld] = [along, held];
    }
    if (crossings % 2 === 0) return undefined;
    if (isAheadHeld && isBehindHeld) shortest = Math.min(shortest, ahead - behind);
  }
  return shortest;
}

interface TurnedEdge {
  readonly low: readonly number[];
  readonly high: readonly number[];
  readonly held: boolean;
}

function xAt({ low, high }: TurnedEdge, y: number): number {
  return low[0] + ((high[0] - low[0]) * (y - low[1])) / (high[1] - low[1]);
}
