import type { Faces, Vec3 } from '../../mesh/index.ts';

/**
 * The unit direction to which the normals of the given faces, weighted by area, are squarest: the eigenvector of the
 * smallest eigenvalue of Σ area · n nᵀ. For the wall of a cylinder that is its axis.
 */
export function smallestAxis({ normals: n, areas }: Faces, faces: readonly number[]): Vec3 {
  const m = [
    [0, 0, 0],
    [0, 0, 0],
    [0, 0, 0],
  ];
  for (const f of faces) {
    for (let i = 0; i < 3; i++) for (let j = 0; j < 3; j++) m[i][j] += areas[f] * n[3 * f + i] * n[3 * f + j];
  }
  const vectors = jacobi(m);
  const smallest = [0, 1, 2].reduce((a, b) => (m[b][b] < m[a][a] ? b : a));
  return [vectors[0][smallest], vectors[1][smallest], vectors[2][smallest]];
}

/**
 * Diagonalises a symmetric 3 × 3 matrix in place by Jacobi rotations and returns its eigenvectors as columns
 * (Golub & Van Loan, Matrix Computations, § 8.5).
 */
function jacobi(m: number[][]): number[][] {
  const vectors = [
    [1, 0, 0],
    [0, 1, 0],
    [0, 0, 1],
  ];
  const pairs = [[0, 1], [0, 2], [1, 2]]; // oxfmt-ignore
  for (let sweep = 0; sweep < 12; sweep++) {
    for (const [p, q] of pairs) {
      if (Math.abs(m[p][q]) < 1e-15) continue;
      const theta = (m[q][q] - m[p][p]) / (2 * m[p][q]);
      const t = Math.sign(theta || 1) / (Math.abs(theta) + Math.sqrt(theta * theta + 1));
      const c = 1 / Math.sqrt(t * t + 1);
      const s = t * c;
      for (let k = 0; k < 3; k++) {
        [m[k][p], m[k][q]] = [c * m[k][p] - s * m[k][q], s * m[k][p] + c * m[k][q]];
      }
      for (let k = 0; k < 3; k++) {
        [m[p][k], m[q][k]] = [c * m[p][k] - s * m[q][k], s * m[p][k] + c * m[q][k]];
        [vectors[k][p], vectors[k][q]] = [
          c * vectors[k][p] - s * vectors[k][q],
          s * vectors[k][p] + c * vectors[k][q],
        ];
      }
    }
  }
  return vectors;
}

/** Two unit vectors that with `axis` stand square to each other. */
export function planeBasis([x, y, z]: Vec3): [Vec3, Vec3] {
  const helper: Vec3 = Math.abs(z) < 0.9 ? [0, 0, 1] : [1, 0, 0];
  const u = normalised([
    y * helper[2] - z * helper[1],
    z * helper[0] - x * helper[2],
    x * helper[1] - y * helper[0],
  ]);
  return [u, [y * u[2] - z * u[1], z * u[0] - x * u[2], x * u[1] - y * u[0]]];
}

function normalised([x, y, z]: Vec3): Vec3 {
  const length = Math.hypot(x, y, z);
  return [x / length, y / length, z / length];
}
