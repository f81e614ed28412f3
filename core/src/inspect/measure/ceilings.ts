import { toEdgeMm } from '../../plane/index.ts';
import { shortestSpan, spanInPieces, type CeilingEdge, type Span } from './bridgeSpan.ts';
import type { LimitsCard } from '../card/limits.ts';
import { judge } from '../result/verdict.ts';
import { keels } from './keels.ts';
import { memoizePerPart } from './memoizePerPart.ts';
import { connectedIn } from './regions.ts';
import { steppedLeans, type SteppedLean } from './steppedLeans.ts';
import type { Subject } from './subject.ts';
import { isInFirstLayer } from './firstLayer.ts';

/** A connected region of downward faces that lean out further than something, with nothing under them. */
export interface Ceiling {
  readonly faces: readonly number[];
  /** The steepest of its faces, and how far that leans from the vertical, °. */
  readonly steepestFace: number;
  readonly steepestDeg: number;
  /** Whether most of it is level, or nearly. What is not closes layer by layer, as the inside of a dome does. */
  readonly isLevel: boolean;
  /** How it can be bridged; undefined if it is held on one side only. It is worked out when it is asked for. */
  span(): Span | undefined;
}

/** Faces that lean further from the vertical than this are as good as level, °. */
const NEARLY_LEVEL_DEG = 80;

/** A narrow strip reaches out like a twig where it is level and goes so many lines beyond what holds it. */
const TWIG_LINES = 3;

/** Triangles smaller than this are slivers whose direction is mere rounding, mm². */
const SLIVER_MM2 = 1e-5;
/** A face that looks down by less stands upright, whatever rounding a turn has left: a twentieth of a degree. */
const UPRIGHT = Math.sin((0.05 * Math.PI) / 180);
/** Heights this close count as level. */
const LEVEL_MM = 1e-3;

/**
 * The span by which a ceiling is bridged, mm; undefined if it is an overhang: held on one side only, or closing layer by
 * layer over more air than a line of plastic crosses.
 */
export function bridgedBy({ span, isLevel }: Ceiling, maxBridgeMm: number): number | undefined {
  const found = span();
  return found && (isLevel || judge(found.mm, 'atMost', maxBridgeMm) !== 'fail') ? found.mm : undefined;
}

/** What hangs on a part, measured against a card. */
export interface Hanging {
  /** How far each face leans out over nothing, ° from the vertical; 0 for all that face up or lie on the plate. */
  readonly leanDeg: Float64Array;
  /** Ceilings whose faces are all too steep. */
  readonly tooSteep: readonly Ceiling[];
  /** Ceilings whose faces are all too steep or close to it. */
  readonly steep: readonly Ceiling[];
  /** Leans that only show from layer to layer. */
  readonly stepped: readonly SteppedLean[];
}

const leansOf = memoizePerPart('leans', leans, (layerMm) => `above ${layerMm} mm`);

/** What of a card tells what hangs. */
type HangingLimits = Pick<LimitsCard, 'maxOverhangDeg' | 'maxBridgeMm' | 'lineWidthMm' | 'layerMm'>;

/** What hangs on a part; several checks look at it. It depends on these limits of the card and on no other. */
export const hangingOf = memoizePerPart(
  'ceilings',
  (subject, limits: HangingLimits): Hanging => {
    const { maxOverhangDeg, lineWidthMm, layerMm } = limits;
    const leanDeg = leansOf(subject, layerMm);
    const verdictOf = (deg: number) => judge(deg, 'atMost', maxOverhangDeg);
    const isTooSteep = (deg: number) => verdictOf(deg) === 'fail';
    const tooSteep = ceilingsWhere(subject, leanDeg, isTooSteep, lineWidthMm);
    const inCeilings = new Set(tooSteep.flatMap(({ faces }) => faces));
    const narrow = facesThat(leanDeg, isTooSteep).filter((face) => !inCeilings.has(face));
    return {
      leanDeg,
      tooSteep,
      steep: ceilingsWhere(subject, leanDeg, (deg) => verdictOf(deg) !== 'pass', lineWidthMm),
      stepped: [...steppedLeans(subject, narrow, limits), ...keels(subject, leanDeg, layerMm)],
    };
  },
  ({ maxOverhangDeg, maxBridgeMm, lineWidthMm, layerMm }) =>
    `over ${maxOverhangDeg}°, further than ${lineWidthMm} mm, spanned over ${maxBridgeMm} mm, above ${layerMm} mm`,
);

function leans(subject: Subject, layerMm: number): Float64Array {
  const { mesh, faces } = subject;
  const leanDeg = new Float64Array(faces.areas.length);
  const leaning: number[] = [];
  for (let f = 0; f < leanDeg.length; f++) {
    const down = -faces.normals[3 * f + 2];
    if (down <= UPRIGHT || faces.areas[f] < SLIVER_MM2 || isInFirstLayer(mesh, faces, f, layerMm)) continue;
    leanDeg[f] = (Math.asin(Math.min(1, down)) * 180) / Math.PI;
    leaning.push(f);
  }
  settleSlivers(subject, leaning, leanDeg);
  return leanDeg;
}

/** The rounding of coordinates about as large as this, in single precision, is their product with it. */
const ROUNDING = 2 ** -22;

/** What is narrower than this has no direction of its own, however exactly its corners are known, mm. */
const THREAD_MM = 0.002;

/**
 * Gives narrow triangles the lean of the larger ones that they lie in one surface with. Corners are rounded, and the
 * narrower a triangle is the more its direction strays for that: by about the rounding over its height.
 */
function settleSlivers(
  { mesh, faces, topology, box }: Subject,
  leaning: readonly number[],
  leanDeg: Float64Array,
): void {
  const roundingMm = ROUNDING * Math.max(...box.min.map(Math.abs), ...box.max.map(Math.abs));
  const { areas } = faces;
  for (const f of [...leaning].sort((a, b) => areas[b] - areas[a])) {
    const heightMm = heightOf(mesh, areas[f], f);
    const strayDeg = ((roundingMm / heightMm) * 180) / Math.PI;
    const isThread = heightMm < THREAD_MM;
    let larger = -1;
    for (let k = 0; k < 3; k++) {
      const other = topology.neighbours[3 * f + k];
      if (other < 0 || (leanDeg[other] === 0 && !isThread) || areas[other] <= areas[f]) continue;
      const isSame = isThread || Math.abs(leanDeg[other] - leanDeg[f]) <= strayDeg;
      if (isSame && (larger < 0 || areas[other] > areas[larger])) larger = other;
    }
    if (larger >= 0) leanDeg[f] = leanDeg[larger];
  }
}

/** The height of a triangle over its longest edge, mm. */
function heightOf({ positions: p, triangles }: Subject['mesh'], areaMm2: number, face: number): number {
  let longest = 0;
  for (let k = 0; k < 3; k++) {
    const [a, b] = [3 * triangles[3 * face + k], 3 * triangles[3 * face + ((k + 1) % 3)]];
    longest = Math.max(longest, Math.hypot(p[b] - p[a], p[b + 1] - p[a + 1], p[b + 2] - p[a + 2]));
  }
  return (2 * areaMm2) / longest;
}

/**
 * The ceilings whose faces all lean as `leans` says. One that reaches out no further than a line of plastic is held by
 * the line before it and is none.
 */
function ceilingsWhere(
  subject: Subject,
  leanDeg: Float64Array,
  leans: (deg: number) => boolean,
  lineWidthMm: number,
): Ceiling[] {
  return connectedIn(subject.topology, facesThat(leanDeg, leans)).flatMap((faces): Ceiling[] => {
    const edges = edgesOf(subject, faces);
    const areaMm2 = faces.reduce(
      (sum, f) => sum + subject.faces.areas[f] * Math.abs(subject.faces.normals[3 * f + 2]),
      0,
    );
    // Twice the area over the outline is exact for a ledge of even width around a wall, for a strip that is held along
    // one long side, and for a disc held at its rim.
    const outlineMm = edges.reduce(
      (sum, { from, to }) => sum + Math.hypot(to[0] - from[0], to[1] - from[1]),
      0,
    );
    const reachMm = outlineMm > 0 ? (2 * areaMm2) / outlineMm : Infinity;
    const levelMm2 = faces.reduce(
      (sum, f) => sum + (leanDeg[f] > NEARLY_LEVEL_DEG ? subject.faces.areas[f] : 0),
      0,
    );
    const isLevel = levelMm2 > areaMm2 / 2;
    if (reachMm <= lineWidthMm && (!isLevel || isNearHeld(edges, TWIG_LINES * lineWidthMm))) return [];
    let looked = false;
    let span: Span | undefined;
    const steepestFace = faces.reduce((a, b) => (leanDeg[b] > leanDeg[a] ? b : a));
    return [
      {
        faces,
        steepestFace,
        steepestDeg: leanDeg[steepestFace],
        isLevel,
        span() {
          if (!looked)
            [looked, span] = [true, shortestSpan(edges, lineWidthMm) ?? spanInPieces(edges, lineWidthMm)];
          return span;
        },
      },
    ];
  });
}

/** Whether no corner of a region is further from what holds it, as a narrow strip is that is held at one end alone. */
function isNearHeld(edges: readonly CeilingEdge[], reachMm: number): boolean {
  const holding = edges.filter(({ held }) => held);
  const isNear = ([x, y]: readonly number[], { from, to }: CeilingEdge) =>
    toEdgeMm(x, y, from[0], from[1], to[0], to[1]) <= reachMm;
  return edges.every(({ from }) => holding.some((edge) => isNear(from, edge)));
}

function facesThat(leanDeg: Float64Array, leans: (deg: number) => boolean): number[] {
  const found: number[] = [];
  for (let face = 0; face < leanDeg.length; face++) if (leans(leanDeg[face])) found.push(face);
  return found;
}

/** The edges of a region seen from above. The surface that goes on downwards from an edge holds it. */
function edgesOf({ mesh, topology }: Subject, region: readonly number[]): CeilingEdge[] {
  const { positions: p, triangles } = mesh;
  const inside = new Set(region);
  const edges: CeilingEdge[] = [];
  for (const face of region) {
    for (let k = 0; k < 3; k++) {
      const neighbour = topology.neighbours[3 * face + k];
      if (inside.has(neighbour)) continue;
      const [a, b] = [triangles[3 * face + k], triangles[3 * face + ((k + 1) % 3)]];
      const height = Math.min(p[3 * a + 2], p[3 * b + 2]);
      const corners = neighbour < 0 ? [] : [0, 1, 2].map((i) => triangles[3 * neighbour + i]);
      const held = corners.some((corner) => p[3 * corner + 2] < height - LEVEL_MM);
      edges.push({ from: [p[3 * a], p[3 * a + 1]], to: [p[3 * b], p[3 * b + 1]], held });
    }
  }
  return edges;
}
