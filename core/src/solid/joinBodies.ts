import type { Manifold } from 'manifold-3d';
import { boundsOf, topologyOf, volumeOf, type Box, type SolidMesh } from '../mesh/index.ts';
import type { Kernel } from './kernel.ts';
import { inScope, type Scope } from './scope.ts';
import { fromMesh, toMesh } from './toMesh.ts';

/** Boxes this close may touch, mm. */
const TOUCHING_MM = 1e-4;

/** A mesh whose bodies were joined where they met, and how many fewer there are. */
export interface JoinedBodies {
  readonly mesh: SolidMesh;
  readonly joined: number;
}

/**
 * Joins bodies that pass through or lie against each other into one solid, as a print of them would be. A body that is
 * inside out is a hollow of the one around it, and stays one. Bodies that meet no other are left as they are, and so is
 * everything where the kernel takes one of them for no solid.
 */
export function joinedBodies(kernel: Kernel, mesh: SolidMesh): JoinedBodies {
  const { bodies } = topologyOf(mesh);
  if (bodies < 2) return { mesh, joined: 0 };
  const shells = shellsOf(mesh);
  const solids = shells.filter(({ isHollow }) => !isHollow);
  const groups = groupsOf(solids).filter((group) => group.length > 1);
  if (groups.length === 0) return { mesh, joined: 0 };
  const hollows = shells.filter(({ isHollow }) => isHollow);
  try {
    return inScope((scope) => {
      const meeting = new Set(groups.flat());
      const ofMeeting = new Set(hollows.filter((hollow) => meeting.has(ownerOf(hollow, solids)!)));
      const alone = shells.filter((shell) => !meeting.has(shell) && !ofMeeting.has(shell));
      const parts: SolidMesh[] = alone.map((shell) => shell.mesh);
      let joined = 0;
      for (const group of groups) {
        const own = group.map((shell) => {
          const hollowed = hollows.filter((hollow) => ownerOf(hollow, solids) === shell);
          return hollowedOut(kernel, scope, shell, hollowed);
        });
        const union = scope.keep(kernel.Manifold.union(own));
        const whole = toMesh(union);
        const pieces = shellsOf(whole).filter(({ isHollow }) => !isHollow).length;
        joined += group.length - pieces;
        parts.push(whole);
      }
      return joined > 0 ? { mesh: together(parts), joined } : { mesh, joined: 0 };
    });
  } catch {
    return { mesh, joined: 0 };
  }
}

/** A body as a mesh of its own. */
interface Shell {
  readonly mesh: SolidMesh;
  readonly box: Box;
  readonly isHollow: boolean;
}

function shellsOf(mesh: SolidMesh): Shell[] {
  const { bodyOf, bodies } = topologyOf(mesh);
  const { positions, triangles } = mesh;
  const faces: number[][] = Array.from({ length: bodies }, () => []);
  bodyOf.forEach((body, face) => faces[body].push(face));
  const place = new Int32Array(positions.length / 3).fill(-1);
  return faces.map((own): Shell => {
    const corners: number[] = [];
    const used: number[] = [];
    for (const face of own) {
      for (let k = 0; k < 3; k++) {
        const vertex = triangles[3 * face + k];
        if (place[vertex] < 0) place[vertex] = used.push(vertex) - 1;
        corners.push(place[vertex]);
      }
    }
    const piece: SolidMesh = {
      positions: Float32Array.from(
        used.flatMap((vertex) => [...positions.subarray(3 * vertex, 3 * vertex + 3)]),
      ),
      triangles: Uint32Array.from(corners),
    };
    for (const vertex of used) place[vertex] = -1;
    return { mesh: piece, box: boundsOf(piece), isHollow: volumeOf(piece) < 0 };
  });
}

/** Bodies in groups of which each may meet another of its group. */
function groupsOf(solids: readonly Shell[]): Shell[][] {
  const byLeft = solids.toSorted((a, b) => a.box.min[0] - b.box.min[0]);
  const groupOf = byLeft.map((_, i) => i);
  const find = (i: number): number => {
    while (groupOf[i] !== i) i = groupOf[i] = groupOf[groupOf[i]];
    return i;
  };
  byLeft.forEach(({ box }, i) => {
    for (let j = i + 1; j < byLeft.length; j++) {
      if (byLeft[j].box.min[0] > box.max[0] + TOUCHING_MM) break;
      if (meet(box, byLeft[j].box)) groupOf[find(j)] = find(i);
    }
  });
  const groups = new Map<number, Shell[]>();
  byLeft.forEach((solid, i) => {
    const group = groups.get(find(i));
    if (group) group.push(solid);
    else groups.set(find(i), [solid]);
  });
  return [...groups.values()];
}

function meet(a: Box, b: Box): boolean {
  return [0, 1, 2].every(
    (axis) => a.min[axis] <= b.max[axis] + TOUCHING_MM && b.min[axis] <= a.max[axis] + TOUCHING_MM,
  );
}

/** The smallest body that a hollow lies in. */
function ownerOf({ box }: Shell, solids: readonly Shell[]): Shell | undefined {
  let owner: Shell | undefined;
  let least = Infinity;
  for (const solid of solids) {
    if (
      ![0, 1, 2].every((axis) => solid.box.min[axis] <= box.min[axis] && solid.box.max[axis] >= box.max[axis])
    )
      continue;
    const size = [0, 1, 2].reduce(
      (product, axis) => product * (solid.box.max[axis] - solid.box.min[axis]),
      1,
    );
    if (size < least) [owner, least] = [solid, size];
  }
  return owner;
}

function hollowedOut(kernel: Kernel, scope: Scope, { mesh }: Shell, hollows: readonly Shell[]): Manifold {
  const solid = fromMesh(kernel, scope, mesh);
  if (hollows.length === 0) return solid;
  return scope.keep(kernel.Manifold.difference([solid, ...hollows.map((hollow) => fromMesh(kernel, scope, turnedAbout(hollow.mesh)))])); // oxfmt-ignore
}

function turnedAbout({ positions, triangles }: SolidMesh): SolidMesh {
  return { positions, triangles: triangles.slice().reverse() };
}

/** Several meshes as one. */
function together(meshes: readonly SolidMesh[]): SolidMesh {
  const positions = new Float32Array(meshes.reduce((sum, mesh) => sum + mesh.positions.length, 0));
  const triangles = new Uint32Array(meshes.reduce((sum, mesh) => sum + mesh.triangles.length, 0));
  let [vertex, corner] = [0, 0];
  for (const mesh of meshes) {
    positions.set(mesh.positions, 3 * vertex);
    for (const each of mesh.triangles) triangles[corner++] = vertex + each;
    vertex += mesh.positions.length / 3;
  }
  return { positions, triangles };
}
