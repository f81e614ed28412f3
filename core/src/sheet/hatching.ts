import { turned, extentOf, type Point, type Region } from '../plane/index.ts';

/** Lines at 45° across an area, so far apart (ISO 128-3); the area is where an odd number of its outlines is around. */
export function hatching(region: Region, apartMm: number): [Point, Point][] {
  if (region.length === 0) return [];
  const level = turned(region, -45);
  const { y } = extentOf(level);
  const lines: [Point, Point][] = [];
  // Counted from the origin, so that the areas of one section have their lines in one.
  for (let k = Math.ceil(y.low / apartMm); k * apartMm < y.high; k++) {
    const at = k * apartMm;
    const crossings: number[] = [];
    for (const outline of level) {
      outline.forEach(([bx, by], i) => {
        const [ax, ay] = outline[i === 0 ? outline.length - 1 : i - 1];
        if (ay >= at !== by >= at) crossings.push(ax + ((at - ay) / (by - ay)) * (bx - ax));
      });
    }
    crossings.sort((a, b) => a - b);
    for (let i = 0; i + 1 < crossings.length; i += 2) {
      const [[from, to]] = turned(
        [
          [
            [crossings[i], at],
            [crossings[i + 1], at],
          ],
        ],
        45,
      );
      lines.push([from, to]);
    }
  }
  return lines;
}
