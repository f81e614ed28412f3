import { memoizePerPart } from './memoizePerPart.ts';
import type { Subject } from './subject.ts';

/** Heights closer than this are one, mm. */
const SAME_MM = 0.02;
/** Of very many spaces, this share may begin or end at a height that stands out, and the rest are spread evenly. */
const MARKED_SHARE = 0.7;
/** A face is level within this, and an edge that bends by more than twenty degrees is one of the shape; cosines. */
const LEVEL = Math.cos((2 * Math.PI) / 180);
const CREASE = Math.cos((20 * Math.PI) / 180);

/** The space between two heights of a part. */
export interface Level {
  /** Half-way up. */
  readonly zMm: number;
  readonly heightMm: number;
}

/**
 * The spaces between the heights at which a part has corners, from the bottom up. Of very many, those are kept at which
 * it has level faces or level creases, the largest first, and the rest are spread evenly over its height: so that the
 * same shape has about the same levels however it was cut into triangles.
 *
 * @param most so many spaces at most
 */
export const levelsOf = memoizePerPart(
  'levels',
  (subject, most: number): Level[] => {
    const heights = heightsOf(subject);
    if (heights.length - 1 <= most) return spacesBetween(heights);
    const [bottom, top] = [heights[0], heights[heights.length - 1]];
    const marked = markedHeights(subject, heights, Math.floor(MARKED_SHARE * most));
    const chosen = [bottom, ...marked, top];
    const kept = chosen.filter((height, i) => i === 0 || height - chosen[i - 1] > SAME_MM);
    return spacesBetween(filledIn(kept, most));
  },
  (most) => `at most ${most}`,
);

/** Whether all spaces between corners of a part are looked at, and not only some of very many. */
export function areAllLevels(subject: Subject, most: number): boolean {
  return heightsOf(subject).length - 1 <= most;
}

function spacesBetween(heights: readonly number[]): Level[] {
  return heights
    .slice(1)
    .map((height, i) => ({ zMm: (heights[i] + height) / 2, heightMm: height - heights[i] }));
}

/** The heights of all corners, from low to high, those that are close as one. */
const heightsOf = memoizePerPart('heights', ({ mesh: { positions } }): number[] => {
  const all = new Float32Array(positions.length / 3);
  for (let i = 0; i < all.length; i++) all[i] = positions[3 * i + 2];
  all.sort();
  const heights = [all[0]];
  for (const height of all) if (height - heights[heights.length - 1] >= SAME_MM) heights.push(height);
  return heights;
});

/** The heights that have the largest level faces and the longest level creases, from low to high. */
function markedHeights(
  { mesh, faces, topology }: Subject,
  heights: readonly number[],
  most: number,
): number[] {
  const { positions: p, triangles: t } = mesh;
  const { normals: n, areas } = faces;
  const weights = new Float64Array(heights.length);
  for (let f = 0; f < areas.length; f++) {
    const z = p[3 * t[3 * f] + 2];
    if (Math.abs(n[3 * f + 2]) > LEVEL) {
      weights[nearestOf(heights, z)] += areas[f];
      continue;
    }
    for (let k = 0; k < 3; k++) {
      const other = topology.neighbours[3 * f + k];
      if (other < f) continue;
      const cosine =
        n[3 * f] * n[3 * other] + n[3 * f + 1] * n[3 * other + 1] + n[3 * f + 2] * n[3 * other + 2];
      if (cosine > CREASE) continue;
      const [a, b] = [3 * t[3 * f + k], 3 * t[3 * f + ((k + 1) % 3)]];
      // A crease counts like a face a millimetre wide.
      if (Math.abs(p[a + 2] - p[b + 2]) < SAME_MM)
        weights[nearestOf(heights, p[a + 2])] += Math.hypot(p[a] - p[b], p[a + 1] - p[b + 1]);
    }
  }
  return (
    [...weights.keys()]
      .filter((i) => weights[i] > 0)
      // Of equals the lower comes first, whatever the order in which their triangles were added up.
      .sort((a, b) => Math.round(1000 * (weights[b] - weights[a])) || a - b)
      .slice(0, most)
      .map((i) => heights[i])
      .sort((a, b) => a - b)
  );
}

/** The place in a list of ascending heights of the last that is no higher than one, or is as good as that one. */
function nearestOf(heights: readonly number[], z: number): number {
  let [low, high] = [0, heights.length - 1];
  while (low < high) {
    const middle = (low + high + 1) >> 1;
    if (heights[middle] <= z + 1e-6) low = middle;
    else high = middle - 1;
  }
  return low;
}

/** The largest spaces between heights parted evenly until there are as many as are looked at. */
function filledIn(heights: readonly number[], most: number): number[] {
  const parts = heights.slice(1).map(() => 1);
  const sizeOf = (i: number) => (heights[i + 1] - heights[i]) / parts[i];
  for (let left = most - parts.length; left > 0; left--) {
    const largest = parts.reduce((most, _, i) => (sizeOf(i) > sizeOf(most) ? i : most), 0);
    parts[largest]++;
  }
  return [
    ...parts.flatMap((count, i) => Array.from({ length: count }, (_, k) => heights[i] + k * sizeOf(i))),
    heights[heights.length - 1],
  ];
}
