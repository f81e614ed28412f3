import { boundsOf, onlyFaces, type Box, type SolidMesh } from '../../mesh/index.ts';
import type { Recipe, Step } from '../../recipe/index.ts';
import type { Failing } from '../failingFindings.ts';
import type { Tried } from '../remedy.ts';

/** How far pieces that lie apart shall reach into each other, mm. */
const JOINED_MM = 0.5;
/** Less is nothing, mm. */
const LEAST_MM = 0.05;

/** Lengths by which something has to become shorter or longer, or be moved, for a finding to go; the shorter first, mm. */
export function missingMm({ check, finding }: Failing, step: Step, recipe: Recipe, now: Tried): number[] {
  const place = boundsOf(onlyFaces(now.mesh, finding.triangles));
  const lengths =
    check.id === 'bodies' || check.id === 'island'
      ? apart(place, now.mesh, finding.triangles)
      : [...sticksOut(step, recipe, now), ...[0, 1].map((axis) => place.max[axis] - place.min[axis])];
  const rounded = lengths.map((mm) => Math.round(100 * mm) / 100).filter((mm) => mm > LEAST_MM);
  return [...new Set(rounded)].sort((a, b) => a - b);
}

/** How far a step sticks out beyond what it stands on, or what stands on it beyond it: at one side, at both, twice. */
function sticksOut(step: Step, { steps }: Recipe, { surfaceOf }: Tried): number[] {
  const hostOf = (each: Step) =>
    'placement' in each && 'step' in each.placement.on ? each.placement.on.step : undefined;
  const pairs = steps.flatMap((each) => {
    const host = hostOf(each);
    return host !== undefined && (each.id === step.id || host === step.id) ? [[each.id, host] as const] : [];
  });
  return pairs.flatMap(([id, hostId]) => {
    const [own, host] = [surfaceOf.get(id)?.box, surfaceOf.get(hostId)?.box];
    if (!own || !host) return [];
    return [0, 1].flatMap((axis) => {
      const sides = [own.max[axis] - host.max[axis], host.min[axis] - own.min[axis]].map((mm) =>
        Math.max(0, mm),
      );
      return [Math.max(...sides), sides[0] + sides[1], 2 * Math.max(...sides)];
    });
  });
}

/** How far a loose piece is from the box of all the rest along each axis, and a little more, so that they join. */
function apart(piece: Box, mesh: SolidMesh, faces: readonly number[]): number[] {
  const own = new Set(faces);
  const rest = Array.from({ length: mesh.triangles.length / 3 }, (_, face) => face).filter(
    (face) => !own.has(face),
  );
  if (rest.length === 0) return [];
  const others = boundsOf(onlyFaces(mesh, rest));
  return [0, 1, 2].flatMap((axis) => {
    const gap = Math.max(piece.min[axis] - others.max[axis], others.min[axis] - piece.max[axis]);
    return gap > 0 ? [gap + JOINED_MM] : [];
  });
}
