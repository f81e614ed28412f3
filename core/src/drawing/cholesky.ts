/**
 * Solves A x = b for a symmetric, positive definite A by Cholesky's factorisation A = L Lᵀ. The rows of A are overwritten
 * by L. Undefined where A is not positive definite.
 */
export function solvedSymmetric(a: readonly Float64Array[], b: readonly number[]): Float64Array | undefined {
  const n = b.length;
  for (let i = 0; i < n; i++) {
    for (let j = 0; j <= i; j++) {
      let sum = a[i][j];
      for (let k = 0; k < j; k++) sum -= a[i][k] * a[j][k];
      if (i !== j) a[i][j] = sum / a[j][j];
      else if (sum > 0) a[i][i] = Math.sqrt(sum);
      else return undefined;
    }
  }
  const x = Float64Array.from(b);
  for (let i = 0; i < n; i++) {
    for (let k = 0; k < i; k++) x[i] -= a[i][k] * x[k];
    x[i] /= a[i][i];
  }
  for (let i = n - 1; i >= 0; i--) {
    for (let k = i + 1; k < n; k++) x[i] -= a[k][i] * x[k];
    x[i] /= a[i][i];
  }
  return x;
}
