import type { Vec3 } from '../../mesh/index.ts';
import type { Recognised } from '../../surfaces/index.ts';
import type { Facets } from '../../surfaces/index.ts';
import type { Surface } from '../../surfaces/index.ts';
import { across, cross, dot } from '../../mesh/vectors.ts';

/** A piece of the surface of the mesh. */
export interface Region {
  readonly surface: Surface;
  readonly facets: readonly number[];
  readonly normal: Vec3;
  readonly at: Vec3;
  /** What it is a half of. */
  readonly of?: Recognised;
}

/** A surface that goes all around is two halves, so that each has a border. */
export function halves(curved: Recognised, { points, facets, edgesOf }: Facets): Region[] {
  const { surface, facets: members } = curved;
  const right = across(surface.axis);
  const back = cross(surface.axis, right);
  const regionOf = (some: readonly number[]): Region => ({
    surface,
    facets: some,
    normal: facets[some[0]].normal,
    at: points[edgesOf[some[0]][0].from],
    of: curved,
  });
  const angleOf = (facet: number) => {
    const { normal } = facets[facet];
    return Math.atan2(dot(normal, back), dot(normal, right));
  };
  const sorted = members.map(angleOf).sort((a, b) => a - b);
  const gaps = sorted.map((angle, i) => (sorted[i + 1] ?? sorted[0] + 2 * Math.PI) - angle);
  // Facets are no wider than an eighth of a turn: with no larger gap they go all around.
  if (Math.max(...gaps) > Math.PI / 3) return [regionOf(members)];
  const parts = [
    members.filter((facet) => angleOf(facet) >= 0),
    members.filter((facet) => angleOf(facet) < 0),
  ];
  return parts.filter((part) => part.length > 0).map(regionOf);
}

/** The facets that stand for nothing curved. */
export function flatRegions({ points, facets, edgesOf }: Facets, curved: readonly Recognised[]): Region[] {
  const taken = new Set(curved.flatMap((each) => each.facets));
  return facets.flatMap(({ normal }, facet) => {
    if (taken.has(facet)) return [];
    const at = points[edgesOf[facet][0].from];
    return [{ surface: { kind: 'plane', origin: at, axis: normal } as Surface, facets: [facet], normal, at }];
  });
}
