import type { SolidMesh, SurfaceTree, Vec3 } from '../mesh/index.ts';
import { across, cross, dot, plus, times } from '../mesh/vectors.ts';
import { aroundAxis, type Facets, type Recognised } from '../surfaces/index.ts';

/** Something round whose axis is an axis of the part: a hole, a peg, a countersink, a rounded corner. */
export interface RoundFeature {
  readonly axis: 0 | 1 | 2;
  /** A point of its axis; along the axis itself it counts for nothing. */
  readonly middle: Vec3;
  /** Of a cone at its wide end. */
  readonly radiusMm: number;
  readonly isCone: boolean;
  /** Where it begins and ends along its axis. */
  readonly from: number;
  readonly to: number;
  /** Whether material is around it, and not inside. */
  readonly isHole: boolean;
  /** Whether it goes around more than half, as holes do, and has a middle; corners do not. */
  readonly isWhole: boolean;
  /** How deep a hole is that has a floor. */
  readonly depthMm?: number;
  /** Directions from the axis in which its rim is there. */
  readonly facings: readonly Vec3[];
  /** The steps whose surface it is, by their place in the recipe. */
  readonly steps: ReadonlySet<number>;
}

/** Two things nearer than this are at one place, or of one size, mm. */
export const SAME_PLACE_MM = 0.02;
/** What is round for more of a turn than this has a diameter, radians; the round end of a bar has a radius (ISO 129-1). */
const WHOLE = (200 * Math.PI) / 180;

interface Arc {
  readonly feature: Omit<RoundFeature, 'isWhole' | 'facings' | 'depthMm'>;
  /** The directions of its facets about the axis, radians. */
  readonly angles: readonly number[];
}

/**
 * The cylinders and cones among some surfaces that lie along an axis of the part; pieces of one are one.
 *
 * @param mesh what they were found on
 */
export function roundFeatures(
  mesh: SolidMesh,
  all: Facets,
  curved: readonly Recognised[],
  tree: SurfaceTree,
): RoundFeature[] {
  const arcs = curved.flatMap((each) => arcOf(mesh, all, each) ?? []);
  return merged(arcs).map(({ feature, angles }) => {
    const { right, back } = frameOf(feature.axis);
    const isWhole = 2 * Math.PI - widestGap(angles) > WHOLE;
    return {
      ...feature,
      facings: angles.map((angle) => plus(times(right, Math.cos(angle)), back, Math.sin(angle))),
      isWhole,
      depthMm: isWhole && feature.isHole && !feature.isCone ? depthOf(feature, tree) : undefined,
    };
  });
}

/** A surface as it is round about an axis of the part; undefined where it is not. */
function arcOf(
  mesh: SolidMesh,
  { points, facets, edgesOf }: Facets,
  { surface, facets: own }: Recognised,
): Arc | undefined {
  if (surface.kind !== 'cylinder' && surface.kind !== 'cone') return undefined;
  const axis = ([0, 1, 2] as const).find((i) => Math.abs(surface.axis[i]) > 1 - 1e-6);
  if (axis === undefined) return undefined;
  const { right, back } = frameOf(axis);
  const angleOf = (way: Vec3) => Math.atan2(dot(way, back), dot(way, right));
  const corners = own.flatMap((facet) => edgesOf[facet].map(({ from }) => points[from]));
  const seen = corners.map((corner) => aroundAxis(surface.origin, surface.axis, corner));
  const isCone = surface.kind === 'cone';
  const isHole =
    dot(facets[own[0]].normal, aroundAxis(surface.origin, surface.axis, facets[own[0]].middle).out) < 0;
  const radiusMm = isCone ? seen.reduce((most, { away }) => Math.max(most, away), 0) : surface.radiusMm;
  // The wide end of a cone that is cut off elsewhere is a point or two, and no size of the part.
  const angles = isCone
    ? seen.flatMap(({ away, out }) => (away > radiusMm - SAME_PLACE_MM ? [angleOf(out)] : []))
    : own.map((facet) => angleOf(times(facets[facet].normal, isHole ? -1 : 1)));
  if (isCone && 2 * Math.PI - widestGap(angles) < WHOLE) return undefined;
  return {
    feature: {
      axis,
      middle: surface.origin,
      radiusMm,
      isCone,
      from: corners.reduce((least, corner) => Math.min(least, corner[axis]), Infinity),
      to: corners.reduce((most, corner) => Math.max(most, corner[axis]), -Infinity),
      isHole,
      steps: new Set(
        own.flatMap((facet) => facets[facet].triangles.map((triangle) => mesh.stepOf?.[triangle] ?? 0)),
      ),
    },
    angles,
  };
}

function frameOf(axis: 0 | 1 | 2): { right: Vec3; back: Vec3 } {
  const way: Vec3 = [axis === 0 ? 1 : 0, axis === 1 ? 1 : 0, axis === 2 ? 1 : 0];
  const right = across(way);
  return { right, back: cross(way, right) };
}

/** How far beside each other two axes along one direction lie. */
export function besideEachOther(axis: 0 | 1 | 2, a: Vec3, b: Vec3): number {
  return Math.hypot(...[0, 1, 2].filter((i) => i !== axis).map((i) => a[i] - b[i]));
}

/** Pieces of one cylinder that follow each other along its axis, or around it. */
function merged(arcs: readonly Arc[]): Arc[] {
  const result: Arc[] = [];
  for (const arc of arcs) {
    const { feature: own } = arc;
    const at = result.findIndex(
      ({ feature }) =>
        feature.axis === own.axis &&
        feature.isHole === own.isHole &&
        feature.isCone === own.isCone &&
        Math.abs(feature.radiusMm - own.radiusMm) < SAME_PLACE_MM &&
        besideEachOther(own.axis, feature.middle, own.middle) < SAME_PLACE_MM &&
        feature.from < own.to + SAME_PLACE_MM &&
        own.from < feature.to + SAME_PLACE_MM,
    );
    if (at < 0) {
      result.push(arc);
      continue;
    }
    const { feature, angles } = result[at];
    result[at] = {
      feature: {
        ...feature,
        from: Math.min(feature.from, own.from),
        to: Math.max(feature.to, own.to),
        steps: new Set([...feature.steps, ...own.steps]),
      },
      angles: [...angles, ...arc.angles],
    };
  }
  return result;
}

/** The widest gap between some directions, radians. */
function widestGap(angles: readonly number[]): number {
  const sorted = [...angles].sort((a, b) => a - b);
  return Math.max(...sorted.map((angle, i) => (sorted[i + 1] ?? sorted[0] + 2 * Math.PI) - angle));
}

/** How deep a hole is: undefined where neither of its ends has a floor, so that it goes right through. */
function depthOf(
  { axis, middle, radiusMm, from, to }: Arc['feature'],
  tree: SurfaceTree,
): number | undefined {
  const { right, back } = frameOf(axis);
  const half = (to - from) / 2;
  const hasFloor = ([1, -1] as const).some((sign) => {
    const way = times(cross(right, back), sign);
    return BESIDE_AXIS.some(([x, y]) => {
      const at = plus(plus(middle, right, x * radiusMm), back, y * radiusMm) as [number, number, number];
      at[axis] = (from + to) / 2;
      const hit = tree.firstHit(at, way, [1e-4, half + SAME_PLACE_MM]);
      return hit !== undefined && hit.mm > half - SAME_PLACE_MM;
    });
  });
  return hasFloor ? to - from : undefined;
}

/** Where a floor is looked for, in radii: beside the axis too, since a smaller hole may begin in it. */
const BESIDE_AXIS = [
  [0, 0],
  [0.9, 0],
  [-0.9, 0],
  [0, 0.9],
  [0, -0.9],
] as const;

/** Which of some features are alike in a way, each group once. */
export function alike<T>(all: readonly T[], isLike: (a: T, b: T) => boolean): T[][] {
  const groups: T[][] = [];
  for (const each of all) {
    const own = groups.find(([first]) => isLike(first, each));
    if (own) own.push(each);
    else groups.push([each]);
  }
  return groups;
}
