import { boundsOf, triangleCount, type SolidMesh } from './solidMesh.ts';

/** Of fewer faces all are asked as fast. */
const FEW_FACES = 4096;
/** Into so many slices a mesh is divided by height; with fewer it is not worth it. */
const MOST_SLICES = 512;
const FEWEST_SLICES = 12;
/** So many slices on average a face may lie in: tall ones lie in many. */
const MOST_PER_FACE = 4;

/** The faces of a mesh, slice after slice from the bottom up; one that reaches through several is in each of them. */
interface FacesByHeight {
  readonly lowMm: number;
  readonly sliceMm: number;
  /** Where the faces of each slice begin among all. */
  readonly firstOf: Uint32Array;
  readonly faces: Uint32Array;
}

/** None where the faces are so tall that an index would spare little. */
const known = new WeakMap<SolidMesh, FacesByHeight | 'none'>();
const asked = new WeakSet<SolidMesh>();

/**
 * The faces of a mesh that reach a height, and some others, in the order of their numbers; undefined if it is better to
 * ask all of them. Many a mesh is cut only once, so an index is made when one is cut again.
 */
export function facesAt(mesh: SolidMesh, zMm: number): Uint32Array | undefined {
  if (triangleCount(mesh) < FEW_FACES) return undefined;
  let index = known.get(mesh);
  if (!index) {
    if (!asked.has(mesh)) {
      asked.add(mesh);
      return undefined;
    }
    index = facesByHeight(mesh) ?? 'none';
    known.set(mesh, index);
  }
  if (index === 'none') return undefined;
  const slice = Math.floor((zMm - index.lowMm) / index.sliceMm);
  if (slice < 0 || slice >= index.firstOf.length - 1) return index.faces.subarray(0, 0);
  return index.faces.subarray(index.firstOf[slice], index.firstOf[slice + 1]);
}

function facesByHeight(mesh: SolidMesh): FacesByHeight | undefined {
  const { positions: p, triangles: t } = mesh;
  const count = triangleCount(mesh);
  const { min, max } = boundsOf(mesh);
  const [lowMm, tallMm] = [min[2], max[2] - min[2] || 1];
  const lowest = new Float64Array(count);
  const highest = new Float64Array(count);
  let sum = 0;
  for (let face = 0; face < count; face++) {
    const [a, b, c] = [p[3 * t[3 * face] + 2], p[3 * t[3 * face + 1] + 2], p[3 * t[3 * face + 2] + 2]];
    lowest[face] = Math.min(a, b, c);
    highest[face] = Math.max(a, b, c);
    sum += highest[face] - lowest[face];
  }
  const share = sum / count / tallMm;
  const slices = Math.max(1, Math.min(MOST_SLICES, Math.floor(MOST_PER_FACE / share)));
  if (slices < FEWEST_SLICES) return undefined;
  const sliceMm = tallMm / slices;
  // The topmost height belongs to the topmost slice's end, where nothing is cut, and may be rounded beyond it.
  const sliceOf = (zMm: number) => Math.min(slices, Math.floor((zMm - lowMm) / sliceMm));
  const firstOf = new Uint32Array(slices + 2);
  for (let face = 0; face < count; face++) {
    for (let slice = sliceOf(lowest[face]); slice <= sliceOf(highest[face]); slice++) firstOf[slice + 1]++;
  }
  for (let slice = 1; slice < firstOf.length; slice++) firstOf[slice] += firstOf[slice - 1];
  const faces = new Uint32Array(firstOf[firstOf.length - 1]);
  const next = firstOf.slice();
  for (let face = 0; face < count; face++) {
    for (let slice = sliceOf(lowest[face]); slice <= sliceOf(highest[face]); slice++)
      faces[next[slice]++] = face;
  }
  return { lowMm, sliceMm, firstOf, faces };
}
