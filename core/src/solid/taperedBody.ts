import type { Manifold } from 'manifold-3d';
import { factorsAt, type Taper } from '../mesh/index.ts';
import { onGrid } from './grid.ts';
import type { Scope } from './scope.ts';

/** What leans becomes bent; its facets stay so near to the true surface, mm. */
const BENT_MM = 0.005;
/** Corners that lie in one plane, but for this, are taken out again, mm. */
const FLAT_MM = 1e-4;

/**
 * A body grown narrower with height. Upright and level faces stay flat; what leans is divided finely enough to bend.
 *
 * @param demandTriangles throws for a body of more triangles than there may be
 */
export function taperedBody(
  body: Manifold,
  taper: Taper,
  scope: Scope,
  demandTriangles: (triangles: number) => void,
): Manifold {
  const edgeMm = longestEdge(body, taper);
  let fine = body;
  if (edgeMm !== undefined) {
    // A triangle of edges so long covers this much.
    demandTriangles(body.numTri() + (2 * body.surfaceArea()) / (0.43 * edgeMm * edgeMm));
    fine = scope.keep(body.refineToLength(edgeMm));
  }
  const [mx, my] = taper.middle;
  const warped = scope.keep(
    fine.warpBatch((positions, count) => {
      for (let i = 0; i < 3 * count; i += 3) {
        const [fx, fy] = factorsAt(taper, positions[i + 2]);
        positions[i] = onGrid(mx + (positions[i] - mx) * fx);
        positions[i + 1] = onGrid(my + (positions[i + 1] - my) * fy);
      }
    }),
  );
  return edgeMm === undefined ? warped : scope.keep(warped.simplify(FLAT_MM));
}

/** How long edges may be so that what leans bends finely enough; undefined where nothing is bent by so much. */
function longestEdge(body: Manifold, { perMm }: Taper): number | undefined {
  const steep = Math.max(...perMm.map(Math.abs));
  if (steep === 0) return undefined;
  const { vertProperties: p, triVerts: t, numProp } = body.getMesh();
  for (let i = 0; i < t.length; i += 3) {
    const corners = [0, 1, 2].map((k) => numProp * t[i + k]);
    const range = (axis: number) => {
      const at = corners.map((corner) => p[corner + axis]);
      return Math.max(...at) - Math.min(...at);
    };
    const rise = range(2);
    if (rise < FLAT_MM) continue;
    // A straight edge becomes a parabola that is so far from its chord (x · z has the second derivative 2 dx dz).
    if ((steep * rise * Math.max(range(0), range(1))) / 4 < BENT_MM) continue;
    if (!isUpright(corners.map((corner) => [p[corner], p[corner + 1], p[corner + 2]] as const)))
      return 2 * Math.sqrt(BENT_MM / steep);
  }
  return undefined;
}

function isUpright([a, b, c]: readonly (readonly [number, number, number])[]): boolean {
  const [u, v] = [b, c].map((point) => point.map((mm, i) => mm - a[i]));
  const normal = [u[1] * v[2] - u[2] * v[1], u[2] * v[0] - u[0] * v[2], u[0] * v[1] - u[1] * v[0]];
  return Math.abs(normal[2]) < 1e-5 * Math.hypot(...normal);
}
