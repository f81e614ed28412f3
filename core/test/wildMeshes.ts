import { weld, type SolidMesh, type Vec3 } from '../src/mesh/index.ts';

/* Meshes made by other means than the kernel: fields of heights, lathes, stacks of steps and marched surfaces. */

/** A solid over a square, with hills for its top and, if it is said, for its bottom. */
export function heightField(
  cells: number,
  sizeMm: number,
  top: (x: number, y: number) => number,
  bottom: (x: number, y: number) => number = () => 0,
): SolidMesh {
  const corners: number[] = [];
  const at = (i: number) => (sizeMm * i) / cells;
  const add = (...points: readonly Vec3[]) => points.forEach((point) => corners.push(...point));
  const up = (x: number, y: number): Vec3 => [x, y, top(x, y)];
  const down = (x: number, y: number): Vec3 => [x, y, bottom(x, y)];
  for (let i = 0; i < cells; i++) {
    for (let j = 0; j < cells; j++) {
      const [x0, x1, y0, y1] = [at(i), at(i + 1), at(j), at(j + 1)];
      add(up(x0, y0), up(x1, y0), up(x1, y1), up(x0, y0), up(x1, y1), up(x0, y1));
      add(down(x0, y0), down(x1, y1), down(x1, y0), down(x0, y0), down(x0, y1), down(x1, y1));
    }
    const side = (ax: number, ay: number, bx: number, by: number) =>
      add(down(ax, ay), down(bx, by), up(bx, by), down(ax, ay), up(bx, by), up(ax, ay));
    const [a, b] = [at(i), at(i + 1)];
    side(a, 0, b, 0);
    side(sizeMm, a, sizeMm, b);
    side(b, sizeMm, a, sizeMm);
    side(0, b, 0, a);
  }
  return weld(Float32Array.from(corners));
}

/** A profile turned about the upright axis: radii and heights from the bottom up, closed at both ends by its axis. */
export function lathe(
  profile: readonly (readonly [radiusMm: number, zMm: number])[],
  sides: number,
): SolidMesh {
  const corners: number[] = [];
  const point = ([radius, z]: readonly [number, number], k: number): Vec3 => {
    const angle = (2 * Math.PI * (k % sides)) / sides;
    return [radius * Math.cos(angle), radius * Math.sin(angle), z];
  };
  const way = [[0, profile[0][1]] as const, ...profile, [0, profile[profile.length - 1][1]] as const];
  for (let i = 1; i < way.length; i++) {
    for (let k = 0; k < sides; k++) {
      const [a, b, c, d] = [
        point(way[i - 1], k),
        point(way[i - 1], k + 1),
        point(way[i], k + 1),
        point(way[i], k),
      ];
      if (way[i - 1][0] > 0) corners.push(...a, ...b, ...(way[i][0] > 0 ? c : d));
      if (way[i][0] > 0) corners.push(...(way[i - 1][0] > 0 ? a : b), ...c, ...d);
    }
  }
  return weld(Float32Array.from(corners));
}

/**
 * The surface where a field is nothing, below nothing inside, on a grid of cubes that are each cut into six tetrahedra
 * (marching tetrahedra; A. Doi and A. Koide, 1991).
 */
export function marched(
  field: (x: number, y: number, z: number) => number,
  from: Vec3,
  to: Vec3,
  cellMm: number,
): SolidMesh {
  const count = [0, 1, 2].map((axis) => Math.ceil((to[axis] - from[axis]) / cellMm));
  const place = (i: number, j: number, k: number): Vec3 => [
    from[0] + i * cellMm,
    from[1] + j * cellMm,
    from[2] + k * cellMm,
  ];
  // Nowhere on the surface or nearly, where a corner would be cut off to next to nothing.
  const leastMm = 0.03 * cellMm;
  const valueAt = (point: Vec3) => {
    const value = field(...point);
    return Math.abs(value) < leastMm ? (value < 0 ? -leastMm : leastMm) : value;
  };
  const corners: number[] = [];
  const tetrahedra = [[0, 1, 3, 7], [0, 3, 2, 7], [0, 2, 6, 7], [0, 6, 4, 7], [0, 4, 5, 7], [0, 5, 1, 7]]; // oxfmt-ignore
  for (let i = 0; i < count[0]; i++) {
    for (let j = 0; j < count[1]; j++) {
      for (let k = 0; k < count[2]; k++) {
        const cube = Array.from({ length: 8 }, (_, n) =>
          place(i + (n & 1), j + ((n >> 1) & 1), k + (n >> 2)),
        );
        const values = cube.map(valueAt);
        if (values.every((value) => value > 0) || values.every((value) => value < 0)) continue;
        for (const four of tetrahedra)
          cutTetrahedron(
            four.map((n) => ({ at: cube[n], value: values[n] })),
            corners,
          );
      }
    }
  }
  return weld(Float32Array.from(corners));
}

/** A tube whose wall is so thick, marched in cells that are a third of it at most. */
export const marchedShell = (radiusMm: number, wallMm: number): SolidMesh =>
  marched(
    (x, y, z) => Math.max(Math.abs(Math.hypot(x, y) - radiusMm) - wallMm / 2, -z, z - 3.1),
    [-radiusMm - 2, -radiusMm - 2, -1.1],
    [radiusMm + 2, radiusMm + 2, 4],
    Math.min(0.6, wallMm / 1.6),
  );

interface Corner {
  readonly at: Vec3;
  readonly value: number;
}

function cutTetrahedron(four: readonly Corner[], corners: number[]): void {
  const inside = four.filter(({ value }) => value < 0);
  const outside = four.filter(({ value }) => value > 0);
  const between = (a: Corner, b: Corner): Vec3 => {
    // The same from both sides, so that neighbours share the place to the bit.
    const [p, q] = a.value < b.value ? [a, b] : [b, a];
    const share = p.value / (p.value - q.value);
    return [0, 1, 2].map((axis) =>
      Math.fround(p.at[axis] + share * (q.at[axis] - p.at[axis])),
    ) as unknown as Vec3;
  };
  const add = (a: Vec3, b: Vec3, c: Vec3) => {
    // Outwards is away from what is inside.
    const [u, v] = [b, c].map((end) => [0, 1, 2].map((axis) => end[axis] - a[axis]));
    const normal = [u[1] * v[2] - u[2] * v[1], u[2] * v[0] - u[0] * v[2], u[0] * v[1] - u[1] * v[0]];
    const away = [0, 1, 2].reduce((sum, axis) => sum + normal[axis] * (a[axis] - inside[0].at[axis]), 0);
    corners.push(...a, ...(away > 0 ? [...b, ...c] : [...c, ...b]));
  };
  if (inside.length === 1 || inside.length === 3) {
    const [lone, others] = inside.length === 1 ? [inside[0], outside] : [outside[0], inside];
    add(between(lone, others[0]), between(lone, others[1]), between(lone, others[2]));
  } else if (inside.length === 2) {
    const [a, b, c, d] = [
      between(inside[0], outside[0]),
      between(inside[0], outside[1]),
      between(inside[1], outside[1]),
      between(inside[1], outside[0]),
    ];
    add(a, b, c);
    add(a, c, d);
  }
}

/** Every triangle cut into four at the middles of its edges; the shape stays as it is. */
export function subdivided({ positions: p, triangles: t }: SolidMesh): SolidMesh {
  const corners: number[] = [];
  const at = (vertex: number): Vec3 => [p[3 * vertex], p[3 * vertex + 1], p[3 * vertex + 2]];
  const middle = (a: number, b: number): Vec3 => {
    const [low, high] = a < b ? [at(a), at(b)] : [at(b), at(a)];
    return [0, 1, 2].map((axis) => Math.fround((low[axis] + high[axis]) / 2)) as unknown as Vec3;
  };
  for (let i = 0; i < t.length; i += 3) {
    const [a, b, c] = [t[i], t[i + 1], t[i + 2]];
    const [ab, bc, ca] = [middle(a, b), middle(b, c), middle(c, a)];
    corners.push(...at(a), ...ab, ...ca, ...at(b), ...bc, ...ab, ...at(c), ...ca, ...bc, ...ab, ...bc, ...ca);
  }
  return weld(Float32Array.from(corners));
}
