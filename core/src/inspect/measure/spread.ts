/** The nth of places spread evenly over a triangle, as shares of its corners (R₂ sequence; M. Roberts, 2018). */
export function spread(n: number): [number, number, number] {
  const u = (0.5 + n * 0.7548776662466927) % 1;
  const v = (0.5 + n * 0.5698402909980532) % 1;
  return u + v > 1 ? [u + v - 1, 1 - u, 1 - v] : [1 - u - v, u, v];
}
