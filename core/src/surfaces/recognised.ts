import { axesOfPairs, axesOfRims, type Axis } from './axes.ts';
import type { Recognised } from './band.ts';
import { surfacesAbout } from './bands.ts';
import type { Facets } from './facets.ts';
import { joints } from './joints.ts';
import { offSurface } from './surface.ts';
import { CHORD_MM, GROWN_MM, isSmooth, MOST_TURN } from './tolerances.ts';
import { dot } from '../mesh/vectors.ts';

/**
 * Finds the cylinders, cones, spheres and tori that facets stand for. All of them are turned about an axis: facets that
 * stand for one band of such a turn have the same line in the half plane through the axis and their normal, so bands are
 * told by that line alone, however they were cut. Bands whose edges follow a circle are a sphere or a torus.
 *
 * @param leftOut facets that are taken as they are, so that nothing is searched among them
 */
export function recognised(all: Facets, leftOut: ReadonlySet<number> = new Set()): Recognised[] {
  const taken = new Set(leftOut);
  const found: Recognised[] = [];
  // What meets all its neighbours at edges is flat.
  const bent = [...all.facets.keys()].filter((facet) =>
    all.edgesOf[facet].some(({ turn }) => isSmooth(turn)),
  );
  const search = (axis: Axis, within: readonly number[] = bent, onlyCylinders = false) => {
    for (const each of surfacesAbout(all, axis, taken, within)) {
      if (onlyCylinders && each.surface.kind !== 'cylinder') continue;
      each.facets.forEach((facet) => taken.add(facet));
      found.push(each);
    }
  };
  // Rims that were grown or shrunk lie beside the axis that they were drawn about; cylinders lie about it, so what is
  // turned beside one is looked for about the cylinder's own first.
  const rims = axesOfRims(all, taken);
  for (const axis of rims) search(axis, undefined, true);
  for (const { surface } of [...found]) search({ origin: surface.origin, way: surface.axis });
  for (const axis of rims) search(axis);
  for (const { axis, facets } of axesOfPairs(all, taken)) {
    if (facets.every((facet) => !taken.has(facet))) search(axis, facets);
  }
  const large = absorbed(found, all, leftOut);
  return [...large, ...joints(large, all, leftOut)];
}

/** By the cosine: a facet faces as its surface does in its middle, but for the width of a facet. */
const FACING = 0.985;

/** Facets beside a surface, or of a smaller one, all of whose corners lie on it, are of it: the tips of spheres. */
function absorbed(
  found: readonly Recognised[],
  { points, facets: all, edgesOf }: Facets,
  leftOut: ReadonlySet<number>,
): Recognised[] {
  const largest = [...found].sort((a, b) => b.facets.length - a.facets.length);
  const ownerOf = new Map<number, number>();
  largest.forEach(({ facets }, i) => facets.forEach((facet) => ownerOf.set(facet, i)));
  const result: Recognised[] = [];
  largest.forEach(({ surface, facets }, i) => {
    const members = facets.filter((facet) => ownerOf.get(facet) === i);
    // What lost some of its facets to a larger one is no surface of its own.
    if (members.length < facets.length) return members.forEach((facet) => ownerOf.delete(facet));
    for (const facet of members) {
      for (const {
        turn,
        facets: [, next],
      } of edgesOf[facet]) {
        const owner = ownerOf.get(next);
        if (turn > MOST_TURN || leftOut.has(next) || (owner !== undefined && owner <= i)) continue;
        // Where another surface cuts facets, their corners lie on chords, which are inside. Outside are those of slopes that
        // were built by growing, by more at the ends of a turn. Farther outside is what goes on flat from a curve, or bends
        // the other way, which is not of it.
        const isNear = ({ mm }: { mm: number }) => mm > -CHORD_MM && mm < GROWN_MM;
        const { middle, normal } = all[next];
        const isOn =
          edgesOf[next].every(({ from }) => isNear(offSurface(surface, points[from]))) &&
          isNear(offSurface(surface, middle)) &&
          Math.abs(dot(offSurface(surface, middle).way, normal)) > FACING;
        if (!isOn) continue;
        ownerOf.set(next, i);
        members.push(next);
      }
    }
    result.push({ surface, facets: members });
  });
  return result;
}
