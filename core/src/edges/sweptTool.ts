import { volumeOf, type SolidMesh, type Vec3 } from '../mesh/index.ts';
import { between, jointsOf, type EdgePath, type Joint, type Piece } from './edgePaths.ts';
import { profileOf, type EdgeFinishing } from './finish.ts';
import type { Surface } from './surface.ts';
import { dot, minus, nearestSolution, plus, times } from '../mesh/vectors.ts';

/** How far a tool reaches past the surface that it starts from, mm, so that nothing thin is left there. */
export const BEYOND_MM = 0.05;
/** Where an edge ends at a face that is as nearly along it as this (sine), it ends square. */
const ALONG = 0.08;

/** The ways into the two faces of an edge at a joint, how far its end is moved, and how the faces look there. */
interface Frame {
  readonly away: readonly [Vec3, Vec3];
  readonly looks: readonly [Vec3, Vec3];
  readonly shift: Vec3;
}

/**
 * The body that is cut from a part to finish an edge that stands out, or added to it to fill one that goes in: the finish's
 * profile along the path, mitred at its joints, and as long as the faces at its ends demand.
 */
export function sweptTool(
  surface: Surface,
  path: EdgePath,
  finishing: EdgeFinishing,
  divisions: number,
): SolidMesh {
  const sections = jointsOf(path).map((joint) => sectionAt(surface, path, joint, finishing, divisions));
  return lofted(sections, path.isClosed);
}

/** The outline of a tool across a joint: a corner past the edge, and the new surface seen from there. */
function sectionAt(
  surface: Surface,
  path: EdgePath,
  joint: Joint,
  finishing: EdgeFinishing,
  divisions: number,
): Vec3[] {
  const { away, looks, shift } = frameAt(surface, path, joint);
  const at = plus(joint.at, shift);
  const profiles = [joint.before, joint.after].flatMap((piece) =>
    piece ? [profileOf(finishing, piece, divisions)] : [],
  );
  const inner = profiles[0].map(([a, b], i): Vec3 => {
    const [c, d] = profiles.at(-1)![i];
    return plus(at, plus(times(away[0], (a + c) / 2), times(away[1], (b + d) / 2)));
  });
  const past = (point: Vec3, way: Vec3) => plus(point, times(way, BEYOND_MM));
  return [
    past(at, times(between(looks[0], looks[1]), 1.5)),
    past(inner[0], looks[0]),
    ...inner,
    past(inner.at(-1)!, looks[1]),
  ];
}

function frameAt(surface: Surface, path: EdgePath, joint: Joint): Frame {
  const { before, after } = joint;
  if (before && after) {
    return {
      away: [awayAt(before, after, 0), awayAt(before, after, 1)],
      looks: [between(before.looks[0], after.looks[0]), between(before.looks[1], after.looks[1])],
      shift: [0, 0, 0],
    };
  }
  const piece = (before ?? after)!;
  const onwards = before ? piece.along : times(piece.along, -1);
  const { away, looks } = piece;
  const last = faceAtEnd(surface, piece, before !== undefined, onwards);
  if (!last) return { away, looks, shift: [0, 0, 0] };
  const against = dot(onwards, last);
  const into = (way: Vec3) => minus(way, times(onwards, dot(way, last) / against));
  // What is cut goes on past a face where the part ends; what is filled goes on into one that stands in its way.
  const goesOn = path.isOuter ? against > 0 : against < 0;
  const shift = times(onwards, goesOn ? BEYOND_MM / Math.abs(against) : 0);
  return { away: [into(away[0]), into(away[1])], looks, shift };
}

/** The way into a face from the joint of two pieces, so that it is as far from both as the finish reaches. */
export function awayAt(before: Piece, after: Piece, side: 0 | 1): Vec3 {
  return nearestSolution([
    [before.looks[side], 0],
    [after.looks[side], 0],
    [before.away[side], 1],
    [after.away[side], 1],
  ]);
}

/** The outward way of the face at which an edge ends most squarely, if it ends at one. */
function faceAtEnd(surface: Surface, piece: Piece, atEnd: boolean, onwards: Vec3): Vec3 | undefined {
  const vertex = atEnd ? surface.end(piece.edge) : surface.start(piece.edge);
  let [best, most]: [Vec3 | undefined, number] = [undefined, ALONG];
  for (const triangle of surface.around(vertex)) {
    if (piece.faces.includes(surface.faceOf[triangle])) continue;
    const normal = surface.normal(triangle);
    const along = Math.abs(dot(normal, onwards));
    if (along > most) [best, most] = [normal, along];
  }
  return best;
}

/** The body between outlines of equally many points, each of which is seen whole from its first point. */
function lofted(sections: readonly (readonly Vec3[])[], isClosed: boolean): SolidMesh {
  const many = sections[0].length;
  const positions = Float32Array.from(sections.flat(2));
  const triangles: number[] = [];
  const index = (section: number, point: number) => (section % sections.length) * many + (point % many);
  for (let i = 0; i < sections.length - (isClosed ? 0 : 1); i++) {
    for (let j = 0; j < many; j++) {
      const [a, b, c, d] = [index(i, j), index(i, j + 1), index(i + 1, j + 1), index(i + 1, j)];
      triangles.push(a, b, c, a, c, d);
    }
  }
  if (!isClosed) {
    const last = sections.length - 1;
    for (let j = 1; j < many - 1; j++) {
      triangles.push(index(0, 0), index(0, j + 1), index(0, j));
      triangles.push(index(last, 0), index(last, j), index(last, j + 1));
    }
  }
  return turnedOutwards({ positions, triangles: Uint32Array.from(triangles) });
}

/** The mesh with its triangles facing outwards. */
export function turnedOutwards(mesh: SolidMesh): SolidMesh {
  if (volumeOf(mesh) >= 0) return mesh;
  return { ...mesh, triangles: mesh.triangles.toReversed() };
}
