import type { SurfaceTree, Vec3 } from '../mesh/index.ts';
import { dot, lengthOf, minus, plus, unit } from '../mesh/vectors.ts';
import type { Point } from '../plane/index.ts';
import type { Facets, Recognised } from '../surfaces/index.ts';
import type { SeenLine } from './joinedLines.ts';
import { seenAt, type View } from './views.ts';

/** Facets of a curve meet at no more than 15°; what bends more is an edge. */
const SHARP = (17 * Math.PI) / 180;
/** By the cosine between a facet and the eye: less is seen edge-on. */
const EDGE_ON = 1e-5;
/** Rays begin this far off the surface, mm. */
const OFF_MM = 0.01;
const HALVINGS = 7;

export interface Looked {
  readonly facets: Facets;
  readonly curved: readonly Recognised[];
  readonly tree: SurfaceTree;
  /** Facets of letters, whose lines behind others would only make a drawing hard to read. */
  readonly letters: ReadonlySet<number>;
}

export interface LookOptions {
  /** Only what lies no nearer to the eye is there. */
  readonly beyondMm?: number;
  /** Leaves out what is hidden. */
  readonly onlySeen?: boolean;
  /** How fine visibility is sampled along an edge, mm. */
  readonly stepMm: number;
}

/**
 * The lines that a part is drawn with from a direction: where its surface bends, and where it turns away from the eye,
 * each piece either seen or hidden. Lines within one curved surface are left out.
 */
export function seenEdges(
  { facets: all, curved, tree, letters }: Looked,
  view: View,
  options: LookOptions,
): SeenLine[] {
  const { points, facets, edgesOf } = all;
  const { toward } = view;
  const { beyondMm = Infinity, onlySeen = false, stepMm } = options;
  const surfaceOf = new Map<number, number>();
  curved.forEach((each, i) => each.facets.forEach((facet) => surfaceOf.set(facet, i)));
  const faces = facets.map(({ normal }) => dot(normal, toward));
  const lines: SeenLine[] = [];
  for (const edges of edgesOf) {
    for (const {
      from,
      to,
      facets: [own, other],
      turn,
    } of edges) {
      // Each edge is met from both of its facets.
      if (own > other) continue;
      const isTurningAway = faces[own] > EDGE_ON !== faces[other] > EDGE_ON;
      const isOfOne = surfaceOf.has(own) && surfaceOf.get(own) === surfaceOf.get(other);
      if (!isTurningAway && (turn < SHARP || isOfOne)) continue;
      const part = behind([points[from], points[to]], toward, beyondMm);
      if (!part) continue;
      const [a, b] = part;
      const isBack = faces[own] <= -EDGE_ON && faces[other] <= -EDGE_ON;
      const isOmitted = onlySeen || letters.has(own) || letters.has(other);
      if (isBack && isOmitted) continue;
      const off = unit(plus(facets[own].normal, facets[other].normal));
      const isHiddenAt = (share: number): boolean => {
        if (isBack) return true;
        const at = plus(plus(a, minus(b, a), share), off, OFF_MM);
        const farMm = Number.isFinite(beyondMm) ? beyondMm - dot(at, toward) : Infinity;
        return farMm > 0 && tree.firstHit(at, toward, [1e-4, farMm]) !== undefined;
      };
      const [seenA, seenB] = [seenAt(view, a), seenAt(view, b)];
      const at = (share: number): Point => [
        seenA[0] + share * (seenB[0] - seenA[0]),
        seenA[1] + share * (seenB[1] - seenA[1]),
      ];
      for (const { from: begin, to: end, isHidden } of stretches(
        isHiddenAt,
        lengthOf(minus(b, a)) / stepMm,
      )) {
        if (!(isHidden && isOmitted))
          lines.push({ from: at(begin), to: at(end), isHidden, between: [own, other] });
      }
    }
  }
  return lines;
}

/** What of an edge lies no nearer to the eye than a plane. */
function behind([a, b]: readonly [Vec3, Vec3], toward: Vec3, atMm: number): [Vec3, Vec3] | undefined {
  const [na, nb] = [dot(a, toward) - atMm, dot(b, toward) - atMm];
  if (na <= 1e-6 && nb <= 1e-6) return [a, b];
  if (na >= 0 && nb >= 0) return undefined;
  const cut = plus(a, minus(b, a), na / (na - nb));
  return na < 0 ? [a, cut] : [cut, b];
}

/** Stretches of 0 to 1 in which something holds or does not, sampled so often and then halved. */
function stretches(
  isHiddenAt: (share: number) => boolean,
  steps: number,
): { from: number; to: number; isHidden: boolean }[] {
  const count = Math.min(400, Math.max(1, Math.ceil(steps)));
  const result: { from: number; to: number; isHidden: boolean }[] = [];
  let from = 0;
  let last = 0;
  let isHidden = isHiddenAt(0.5 / count);
  for (let i = 0; i < count; i++) {
    const middle = (i + 0.5) / count;
    const now = isHiddenAt(middle);
    if (now !== isHidden) {
      let [low, high] = [last, middle];
      for (let k = 0; k < HALVINGS; k++) {
        const half = (low + high) / 2;
        if (isHiddenAt(half) === isHidden) low = half;
        else high = half;
      }
      result.push({ from, to: high, isHidden });
      from = high;
      isHidden = now;
    }
    last = middle;
  }
  result.push({ from, to: 1, isHidden });
  return result;
}
