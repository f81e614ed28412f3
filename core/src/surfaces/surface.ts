import type { Vec3 } from '../mesh/index.ts';
import { dot, lengthOf, minus, plus, times, unit } from '../mesh/vectors.ts';

/** A surface as the standard knows it. Distances in mm, directions of unit length. */
export type Surface =
  | { readonly kind: 'plane'; readonly origin: Vec3; readonly axis: Vec3 }
  | { readonly kind: 'cylinder'; readonly origin: Vec3; readonly axis: Vec3; readonly radiusMm: number }
  /** `slope` is the change of the radius along the axis, which is `radiusMm` at the origin. */
  | {
      readonly kind: 'cone';
      readonly origin: Vec3;
      readonly axis: Vec3;
      readonly radiusMm: number;
      readonly slope: number;
    }
  | { readonly kind: 'sphere'; readonly origin: Vec3; readonly axis: Vec3; readonly radiusMm: number }
  | {
      readonly kind: 'torus';
      readonly origin: Vec3;
      readonly axis: Vec3;
      readonly majorMm: number;
      readonly minorMm: number;
    };

/** A point seen from an axis: how far along it, how far from it, and the way outwards. */
export function aroundAxis(
  origin: Vec3,
  axis: Vec3,
  point: Vec3,
): { along: number; away: number; out: Vec3 } {
  const from = minus(point, origin);
  const along = dot(from, axis);
  const off = plus(from, axis, -along);
  const away = lengthOf(off);
  return { along, away, out: away > 0 ? times(off, 1 / away) : off };
}

/** How far a point lies off a surface, outwards from its axis or middle, and the direction in which that grows fastest. */
export function offSurface(surface: Surface, point: Vec3): { mm: number; way: Vec3 } {
  const { origin, axis } = surface;
  if (surface.kind === 'plane') return { mm: dot(minus(point, origin), axis), way: axis };
  if (surface.kind === 'sphere') {
    const from = minus(point, origin);
    return { mm: lengthOf(from) - surface.radiusMm, way: unit(from) };
  }
  const { along, away, out } = aroundAxis(origin, axis, point);
  switch (surface.kind) {
    case 'cylinder':
      return { mm: away - surface.radiusMm, way: out };
    case 'cone': {
      const steep = Math.hypot(1, surface.slope);
      return {
        mm: (away - surface.radiusMm - surface.slope * along) / steep,
        way: times(plus(out, axis, -surface.slope), 1 / steep),
      };
    }
    case 'torus': {
      const from = plus(times(out, away - surface.majorMm), axis, along);
      return { mm: lengthOf(from) - surface.minorMm, way: unit(from) };
    }
  }
}

/** How often a point is brought back onto each of its surfaces in turn; tangent ones come together slowly. */
const ROUNDS = 80;
const CLOSE_MM = 1e-9;

/** The point nearest about a place that lies on all of some surfaces, and how far off the worst of them it stays, mm. */
export function ontoAll(surfaces: readonly Surface[], place: Vec3): { point: Vec3; offMm: number } {
  let point = place;
  let offMm = Infinity;
  for (let round = 0; round < ROUNDS && offMm > CLOSE_MM; round++) {
    offMm = 0;
    for (const surface of surfaces) {
      const { mm, way } = offSurface(surface, point);
      offMm = Math.max(offMm, Math.abs(mm));
      point = plus(point, way, -mm);
    }
  }
  return { point, offMm };
}
