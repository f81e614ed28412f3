import { onlyFaces, type SolidMesh } from '../../mesh/index.ts';

/** A triangle is a needle if its height is so small a share of its longest side, which is what coordinates are rounded to. */
const NEEDLE_SHARE = 1e-6;

/** A mesh without triangles whose corners lie on a line. */
export function withoutNeedles(mesh: SolidMesh): SolidMesh {
  const { positions: p, triangles: t } = mesh;
  const faces: number[] = [];
  for (let f = 0; f < t.length; f += 3) {
    const side = (from: number, to: number) =>
      [0, 1, 2].map((axis) => p[3 * t[f + to] + axis] - p[3 * t[f + from] + axis]);
    const [a, b, c] = [side(0, 1), side(0, 2), side(1, 2)];
    const twiceArea = Math.hypot(
      a[1] * b[2] - a[2] * b[1],
      a[2] * b[0] - a[0] * b[2],
      a[0] * b[1] - a[1] * b[0],
    );
    const longest = Math.max(Math.hypot(...a), Math.hypot(...b), Math.hypot(...c));
    if (twiceArea > NEEDLE_SHARE * longest ** 2) faces.push(f / 3);
  }
  return faces.length === t.length / 3 ? mesh : onlyFaces(mesh, faces);
}
