/**
 * The circle with the least algebraic distance to points (Kåsa 1976); exact for points on a circle.
 * Undefined for fewer than three points or points on a line.
 */
export function fitCircle(
  points: readonly (readonly [number, number])[],
): { middle: [number, number]; radius: number } | undefined {
  if (points.length < 3) return undefined;
  let mx = 0;
  let my = 0;
  for (const [x, y] of points) {
    mx += x / points.length;
    my += y / points.length;
  }
  let suu = 0;
  let suv = 0;
  let svv = 0;
  let suq = 0;
  let svq = 0;
  for (const [x, y] of points) {
    const u = x - mx;
    const v = y - my;
    const q = u * u + v * v;
    suu += u * u;
    suv += u * v;
    svv += v * v;
    suq += u * q;
    svq += v * q;
  }
  const det = suu * svv - suv * suv;
  if (Math.abs(det) < 1e-12 * (suu + svv) ** 2) return undefined;
  const u = (suq * svv - svq * suv) / (2 * det);
  const v = (svq * suu - suq * suv) / (2 * det);
  return { middle: [mx + u, my + v], radius: Math.sqrt(u * u + v * v + (suu + svv) / points.length) };
}
