import type { Topology } from '../../mesh/index.ts';

/** The connected regions that faces make up. */
export function connectedIn({ neighbours }: Topology, faces: readonly number[]): number[][] {
  const left = new Set(faces);
  const regions: number[][] = [];
  for (const seed of faces) {
    if (!left.delete(seed)) continue;
    const region = [seed];
    for (let i = 0; i < region.length; i++) {
      for (let k = 0; k < 3; k++) {
        const other = neighbours[3 * region[i] + k];
        if (left.delete(other)) region.push(other);
      }
    }
    regions.push(region);
  }
  return regions;
}
