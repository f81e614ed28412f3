import { boundsOf, onlyFaces, type Box, type Vec3 } from '../../mesh/index.ts';
import { planeBasis } from './fit.ts';
import type { Hole } from './hole.ts';
import type { Subject } from './subject.ts';

/** The thinnest wall beside a hole. */
export interface WallAround {
  readonly mm: number;
  /** The place half-way through the wall, and the face on its other side. */
  readonly at: Vec3;
  readonly face: number;
}

/** The other side of a wall looks away from the hole within this of square; a face that is only grazed is no wall. */
const FACING = Math.cos((30 * Math.PI) / 180);
/** Such a face stands along the axis within the rest of a right angle. */
const ALONG = Math.sin((30.1 * Math.PI) / 180);
/** How many ways are looked around a hole, and how many times along it. */
const WAYS = 48;
const TIMES = 5;

/** The thinnest wall around a hole, square to its axis; undefined if there is none thinner than `upToMm`. */
export function wallAround(
  { mesh, faces: { normals: n }, tree }: Subject,
  { axis, middle, depthMm, diameterMm, triangles }: Hole,
  upToMm: number,
): WallAround | undefined {
  const [u, v] = planeBasis(axis);
  const own = new Set(triangles);
  // Of many holes, few have anything near that could be the other side of a wall.
  const isOtherSide = (face: number) =>
    !own.has(face) &&
    Math.abs(n[3 * face] * axis[0] + n[3 * face + 1] * axis[1] + n[3 * face + 2] * axis[2]) <= ALONG;
  if (!tree.hasFaceIn(grown(boundsOf(onlyFaces(mesh, triangles)), upToMm), isOtherSide)) return undefined;
  let thinnest: WallAround | undefined;
  for (let k = 0; k < TIMES; k++) {
    // Not at the very ends, where a ray would run along the surface that the hole opens.
    const along = depthMm * ((k + 0.5) / TIMES - 0.5);
    const from = point(middle, axis, along);
    for (let i = 0; i < WAYS; i++) {
      const angle = (2 * Math.PI * (i + 0.37)) / WAYS;
      const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
      const way: Vec3 = [cos * u[0] + sin * v[0], cos * u[1] + sin * v[1], cos * u[2] + sin * v[2]];
      const inner = tree.firstHit(from, way, [0, 1.2 * diameterMm], (face) => !own.has(face));
      if (!inner) continue;
      const range = [inner.mm, inner.mm + (thinnest?.mm ?? upToMm)] as const;
      const outer = tree.firstHit(from, way, range, (face) => own.has(face));
      if (!outer) continue;
      const f = 3 * outer.face;
      if (n[f] * way[0] + n[f + 1] * way[1] + n[f + 2] * way[2] < FACING) continue;
      const mm = outer.mm - inner.mm;
      thinnest = { mm, at: point(from, way, inner.mm + mm / 2), face: outer.face };
    }
  }
  return thinnest;
}

function grown({ min: [x, y, z], max: [a, b, c] }: Box, mm: number): Box {
  return { min: [x - mm, y - mm, z - mm], max: [a + mm, b + mm, c + mm] };
}

function point([x, y, z]: Vec3, [dx, dy, dz]: Vec3, mm: number): Vec3 {
  return [x + dx * mm, y + dy * mm, z + dz * mm];
}
