import { facesOf, SurfaceTree, type SolidMesh, type Vec3 } from '../../mesh/index.ts';

/** The surface of a part cut into small triangles, three corners each, and how thick the part is under each corner. */
export interface ThicknessMap {
  /** x, y, z of each corner, mm. */
  readonly positions: Float32Array;
  /** How far it is straight through the material to the other side, mm; at most what was asked for. */
  readonly thicknessMm: Float32Array;
}

/** Triangles are halved until their sides are no longer than this, mm, or as short as keeps their number bearable. */
const SIDE_MM = 1.5;
const MOST_TRIANGLES = 60_000;
const ACROSS = Math.cos((150 * Math.PI) / 180);

/** How thick a part is under every place of its surface, for drawing; thicker than `upToMm` is of no interest. */
export function thicknessMap(mesh: SolidMesh, upToMm: number): ThicknessMap {
  const { normals, areas } = facesOf(mesh);
  const tree = new SurfaceTree(mesh);
  const allMm2 = areas.reduce((sum, area) => sum + area, 0);
  const sideMm = Math.max(SIDE_MM, Math.sqrt((4 * allMm2) / MOST_TRIANGLES));
  const positions: number[] = [];
  const thicknessMm: number[] = [];
  const measured = new Map<string, number>();
  for (let face = 0; face < areas.length; face++) {
    if (areas[face] === 0) continue;
    const way: Vec3 = [-normals[3 * face], -normals[3 * face + 1], -normals[3 * face + 2]];
    const middle = placeIn(mesh, face, 1 / 3, 1 / 3);
    halved(
      placeIn(mesh, face, 0, 0),
      placeIn(mesh, face, 1, 0),
      placeIn(mesh, face, 0, 1),
      sideMm,
      (corner) => {
        positions.push(...corner);
        const key = `${face} ${corner.map((value) => value.toFixed(3)).join()}`;
        let mm = measured.get(key);
        if (mm === undefined) {
          // A little towards the middle of the triangle, since a ray from its very rim runs along the neighbour.
          const from = corner.map((value, axis) => value + 0.02 * (middle[axis] - value)) as unknown as Vec3;
          const hit = tree.firstHit(from, way, [1e-4, upToMm], (other) => other === face);
          // Beside a corner the other side stands at an angle: that is a corner, and no thin wall.
          mm = hit && isAcross(normals, face, hit.face) ? hit.mm : upToMm;
          measured.set(key, mm);
        }
        thicknessMm.push(mm);
      },
    );
  }
  return { positions: Float32Array.from(positions), thicknessMm: Float32Array.from(thicknessMm) };
}

/** Whether two faces look away from each other, within thirty degrees. */
function isAcross(n: Float64Array, a: number, b: number): boolean {
  return n[3 * a] * n[3 * b] + n[3 * a + 1] * n[3 * b + 1] + n[3 * a + 2] * n[3 * b + 2] < ACROSS;
}

/** A place in a triangle, by its shares of the second and third corner. */
function placeIn({ positions: p, triangles: t }: SolidMesh, face: number, u: number, v: number): Vec3 {
  const [a, b, c] = [3 * t[3 * face], 3 * t[3 * face + 1], 3 * t[3 * face + 2]];
  const along = (axis: number) => (1 - u - v) * p[a + axis] + u * p[b + axis] + v * p[c + axis];
  return [along(0), along(1), along(2)];
}

/** Hands out the corners of the triangles that one falls into when its longest side is halved again and again. */
function halved(a: Vec3, b: Vec3, c: Vec3, sideMm: number, corner: (at: Vec3) => void): void {
  const [ab, bc, ca] = [apart(a, b), apart(b, c), apart(c, a)];
  const longest = Math.max(ab, bc, ca);
  if (longest <= sideMm) {
    corner(a);
    corner(b);
    corner(c);
    return;
  }
  // Turned so that the longest side comes first.
  if (longest > ab) return longest === bc ? halved(b, c, a, sideMm, corner) : halved(c, a, b, sideMm, corner);
  const middle: Vec3 = [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2, (a[2] + b[2]) / 2];
  halved(a, middle, c, sideMm, corner);
  halved(middle, b, c, sideMm, corner);
}

const apart = (a: Vec3, b: Vec3) => Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]);
