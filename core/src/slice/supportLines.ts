import type { Toolpath } from './paths/toolpath.ts';

/** The lines of all supports in space, as pairs of ends: x, y and z of each, mm. */
export function supportLines({ layers }: Toolpath): Float32Array<ArrayBuffer> {
  const ends: number[] = [];
  for (const { zMm, paths } of layers) {
    for (const { role, points, closed } of paths) {
      if (role !== 'support') continue;
      points.forEach(([x, y], i) => {
        if (i === 0 && !closed) return;
        const [fromX, fromY] = points[i === 0 ? points.length - 1 : i - 1];
        ends.push(fromX, fromY, zMm, x, y, zMm);
      });
    }
  }
  return new Float32Array(ends);
}
