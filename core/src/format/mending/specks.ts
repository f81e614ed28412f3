import { boundsOf, onlyFaces, sizeOf, topologyOf, type SolidMesh } from '../../mesh/index.ts';

/** Pieces no longer than this in any direction are dust that a program left, mm. */
const SPECK_MM = 0.2;
/** And no longer than this share of the whole, as a file may be in another unit. */
const SPECK_SHARE = 0.01;

/** Leaves out pieces that are smaller than anything that can be printed, unless there is nothing else. */
export function withoutSpecks(mesh: SolidMesh): { mesh: SolidMesh; specks: number } {
  const { bodyOf, bodies } = topologyOf(mesh);
  if (bodies < 2) return { mesh, specks: 0 };
  const most = Math.min(SPECK_MM, SPECK_SHARE * Math.max(...sizeOf(boundsOf(mesh))));
  const isSpeck = sizesOf(mesh, bodyOf, bodies).map((size) => size <= most);
  const specks = isSpeck.filter(Boolean).length;
  if (specks === 0 || specks === bodies) return { mesh, specks: 0 };
  const faces = [...bodyOf.keys()].filter((face) => !isSpeck[bodyOf[face]]);
  return { mesh: onlyFaces(mesh, faces), specks };
}

/** The longest side of the box around each body, mm. */
function sizesOf({ positions: p, triangles: t }: SolidMesh, bodyOf: Int32Array, bodies: number): number[] {
  const low = new Float64Array(3 * bodies).fill(Infinity);
  const high = new Float64Array(3 * bodies).fill(-Infinity);
  for (let corner = 0; corner < t.length; corner++) {
    const body = bodyOf[Math.floor(corner / 3)];
    for (let axis = 0; axis < 3; axis++) {
      const mm = p[3 * t[corner] + axis];
      if (mm < low[3 * body + axis]) low[3 * body + axis] = mm;
      if (mm > high[3 * body + axis]) high[3 * body + axis] = mm;
    }
  }
  return Array.from({ length: bodies }, (_, body) =>
    Math.max(...[0, 1, 2].map((axis) => high[3 * body + axis] - low[3 * body + axis])),
  );
}
