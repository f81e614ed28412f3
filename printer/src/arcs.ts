/** How far the pieces of an arc may stay away from it. */
const SAG_MM = 0.01;

type Point = readonly [number, number];

/**
 * The corners of an arc from a place around a middle, the last one being its end: as a small printer makes it of straight
 * pieces. `turn` is 1 against the clock (G3) and -1 with it (G2); an arc that ends where it began is a circle.
 */
export function arcCorners(from: Point, to: Point, middle: Point, turn: 1 | -1): Point[] {
  const radius = Math.hypot(from[0] - middle[0], from[1] - middle[1]);
  const angleAt = ([x, y]: Point) => Math.atan2(y - middle[1], x - middle[0]);
  const start = angleAt(from);
  let sweep = turn * (angleAt(to) - start);
  while (sweep <= 1e-9) sweep += 2 * Math.PI;
  const step = 2 * Math.acos(Math.max(0, 1 - SAG_MM / Math.max(radius, SAG_MM)));
  const pieces = Math.max(1, Math.ceil(sweep / step));
  return Array.from({ length: pieces }, (_, i): Point => {
    if (i === pieces - 1) return to;
    const angle = start + (turn * sweep * (i + 1)) / pieces;
    return [middle[0] + radius * Math.cos(angle), middle[1] + radius * Math.sin(angle)];
  });
}
