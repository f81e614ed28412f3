import type { Pose } from '../mesh/index.ts';
import type { Point, Region } from '../plane/index.ts';

/**
 * The kernel takes meshes in single precision. All that is built therefore lies on a grid whose points single precision
 * holds exactly up to 512 mm, a 32nd of a thousandth of a millimetre: two faces that are meant to meet do meet,
 * however each of them came about.
 */
const PER_MM = 32768;

/** The nearest place on the grid. */
export function onGrid(mm: number): number {
  return Math.round(mm * PER_MM) / PER_MM;
}

/** The region on the grid, without the edges that vanish there and the outlines that are left without an area. */
export function regionOnGrid(region: Region): Region {
  return region.flatMap((outline) => {
    const points: Point[] = [];
    for (const [x, y] of outline) {
      const point: Point = [onGrid(x), onGrid(y)];
      const last = points.at(-1);
      if (!last || last[0] !== point[0] || last[1] !== point[1]) points.push(point);
    }
    const [first, last] = [points[0], points.at(-1)];
    if (first && last && points.length > 1 && first[0] === last[0] && first[1] === last[1]) points.pop();
    return points.length > 2 ? [points] : [];
  });
}

/** The pose with its shift on the grid. */
export function poseOnGrid(pose: Pose): Pose {
  const snapped: Pose = [...pose];
  for (const i of [12, 13, 14]) snapped[i] = onGrid(snapped[i]);
  return snapped;
}
