/** The area that the closed polygons of a drawn path enclose, holes taken off: by the shoelace formula, with no curves. */
export function pathAreaOf(d: string): number {
  const twice = d
    .split(/M|Z/)
    .filter((piece) => piece !== '')
    .map((piece) => piece.split('L').map((pair) => pair.split(' ').map(Number)))
    .map((points) =>
      points.reduce((sum, [x, y], i) => {
        const [nextX, nextY] = points[(i + 1) % points.length];
        return sum + x * nextY - nextX * y;
      }, 0),
    );
  return Math.abs(twice.reduce((sum, each) => sum + each, 0)) / 2;
}
