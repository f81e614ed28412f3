import { facesOf, type SolidMesh, type Vec3 } from '../mesh/index.ts';
import type { Facets, Recognised } from '../surfaces/index.ts';
import { SAME_PLACE_MM } from './roundFeatures.ts';

/** Flat faces across an axis of the part that lie at one place along it. */
export interface FlatLevel {
  readonly axis: 0 | 1 | 2;
  readonly atMm: number;
  /** The box that they take up. */
  readonly min: Vec3;
  readonly max: Vec3;
  readonly areaMm2: number;
  readonly steps: ReadonlySet<number>;
}

/** Smaller faces are not measured, mm². */
const LEAST_MM2 = 1.5;

/**
 * The places of flat faces along each axis of the part.
 *
 * @param isMeasured whether a face of a step is measured along an axis
 */
export function flatLevels(
  mesh: SolidMesh,
  { points, facets, edgesOf }: Facets,
  curved: readonly Recognised[],
  isMeasured: (step: number, axis: number) => boolean,
): FlatLevel[] {
  const isCurved = new Set(curved.flatMap((each) => each.facets));
  const { areas } = facesOf(mesh);
  const levels: FlatLevel[] = [];
  facets.forEach(({ normal, triangles }, i) => {
    if (isCurved.has(i)) return;
    const axis = [0, 1, 2].find((k) => Math.abs(normal[k]) > 1 - 1e-6) as 0 | 1 | 2 | undefined;
    if (axis === undefined) return;
    const step = mesh.stepOf?.[triangles[0]] ?? 0;
    if (!isMeasured(step, axis)) return;
    const corners = edgesOf[i].map(({ from }) => points[from]);
    const min = [0, 1, 2].map((k) => Math.min(...corners.map((corner) => corner[k])));
    const max = [0, 1, 2].map((k) => Math.max(...corners.map((corner) => corner[k])));
    const areaMm2 = triangles.reduce((sum, triangle) => sum + areas[triangle], 0);
    if (areaMm2 < LEAST_MM2) return;
    const atMm = corners[0][axis];
    const same = levels.findIndex(
      (level) => level.axis === axis && Math.abs(level.atMm - atMm) < SAME_PLACE_MM,
    );
    const before = levels[same];
    const level: FlatLevel = {
      axis,
      atMm: before?.atMm ?? atMm,
      min: spanned(Math.min, min, before?.min),
      max: spanned(Math.max, max, before?.max),
      areaMm2: areaMm2 + (before?.areaMm2 ?? 0),
      steps: new Set([...(before?.steps ?? []), step]),
    };
    if (before) levels[same] = level;
    else levels.push(level);
  });
  return levels;
}

function spanned(
  pick: (a: number, b: number) => number,
  own: readonly number[],
  before: Vec3 | undefined,
): Vec3 {
  return [0, 1, 2].map((k) => (before ? pick(own[k], before[k]) : own[k])) as unknown as Vec3;
}
